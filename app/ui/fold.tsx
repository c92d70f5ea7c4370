import { chakra } from "@chakra-ui/react";
import { ChevronRight } from "lucide-react";
import type { ComponentProps, ReactNode } from "react";

type Props = Omit<ComponentProps<typeof chakra.details>, "title" | "open"> & {
  /** what the fold holds, and where it is pressed */
  title: ReactNode;
  /** whether it stands open at first, as with something wrong in it */
  open?: unknown;
  small?: boolean;
};

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
