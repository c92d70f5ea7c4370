import { chakra } from "@chakra-ui/react";
import { ChevronRight } from "lucide-react";
import { type ComponentProps, type ReactNode, useEffect, useRef, useState } from "react";

type Props = Omit<ComponentProps<typeof chakra.details>, "title" | "open"> & {
  /** what the fold holds, and where it is pressed */
  title: ReactNode;
  /** whether it stands open at first, as with something wrong in it */
  open?: unknown;
  small?: boolean;
};
type LateProps = Omit<Props, "children" | "onToggle"> & { children: () => ReactNode };

/** Something that is seldom wanted, behind its title; opens without scripts too. */
export function Fold({ title, open, small = false, children, ...rest }: Props) {
  return (
    <chakra.details open={open ? true : undefined} {...rest}>
      <chakra.summary
        color="moss"
        cursor="pointer"
        minH="48px"
        display="flex"
        alignItems="center"
        gap="1.5"
        fontSize={small ? "sm" : undefined}
        css={{ "&::-webkit-details-marker": { display: "none" }, "details[open] > & > svg": { rotate: "90deg" } }}
      >
        <ChevronRight size={18} style={{ flex: "none" }} aria-hidden />
        {title}
      </chakra.summary>
      {children}
    </chakra.details>
  );
}

/** A fold whose inside is made when it is first opened: for what stands many times on a page and is wanted once. */
export function LateFold({ children, open, ...rest }: LateProps) {
  const fold = useRef<HTMLDetailsElement>(null);
  const [made, setMade] = useState(Boolean(open));
  // it may have been opened before the scripts were there
  useEffect(() => setMade((made) => made || fold.current?.open === true), []);
  return (
    <Fold ref={fold} open={open} onToggle={(e) => e.currentTarget.open && setMade(true)} {...rest}>
      {(made || Boolean(open)) && children()}
    </Fold>
  );
}
