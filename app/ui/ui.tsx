import {
  Box,
  type ButtonProps,
  Button as ChakraButton,
  Field as ChakraField,
  Input as ChakraInput,
  chakra,
  EmptyState,
  Flex,
  Heading,
  NativeSelect,
  Text,
  Textarea,
} from "@chakra-ui/react";
import { ChevronDown, type LucideIcon } from "lucide-react";
import { createContext, type ReactNode, useContext } from "react";
import { Link } from "react-router";
import { button, THUMB } from "./theme/recipes";

type ButtonLook = "solid" | "outline" | "quiet" | "danger";
/** Something to press. Within a form it sends the form, unless it says otherwise, as in any page. */
export const Button = ({ variant, ...props }: Omit<ButtonProps, "variant"> & { variant?: ButtonLook }) => (
  // Chakra's types know its own variants alone, not those of our theme
  <ChakraButton type="submit" variant={variant as ButtonProps["variant"]} {...props} />
);
export const LinkButton = chakra(Link, button);
export const Input = ChakraInput;
export const TextArea = Textarea;

/** A list to choose from: the device's own, so that a thumb gets its wheel. Widths are those of the whole. */
export function Select({
  w,
  minW,
  maxW,
  flex,
  disabled,
  children,
  ...field
}: NativeSelect.FieldProps & { disabled?: boolean }) {
  return (
    <NativeSelect.Root w={w} minW={minW} maxW={maxW} flex={flex} disabled={disabled}>
      <NativeSelect.Field {...field}>{children}</NativeSelect.Field>
      <NativeSelect.Indicator>
        <ChevronDown size={18} aria-hidden />
      </NativeSelect.Indicator>
    </NativeSelect.Root>
  );
}
type Offered = string | number | { id: string; name: string };
type OptionsProps<T> = { of: readonly T[]; value?: (one: T) => string | number; say?: (one: T) => ReactNode };

/** What a list offers: words and figures as they are, rows by their id and name, or as `value` and `say` tell. */
export function Options<T>({ of, value, say }: OptionsProps<T>) {
  return of.map((one) => {
    const plain = one as Offered;
    const sent = value?.(one) ?? (typeof plain === "object" ? plain.id : plain);
    return (
      <option key={sent} value={sent}>
        {say?.(one) ?? (typeof plain === "object" ? plain.name : plain)}
      </option>
    );
  });
}

export const Anchor = chakra(Link, {
  base: {
    color: "moss",
    textDecoration: "underline",
    textUnderlineOffset: "3px",
    textDecorationThickness: "1px",
  },
});

/** A link that stands by itself in a row or a line of links: a thumb hits it. */
export const RowAnchor = chakra(Anchor, {
  base: {
    display: { base: "inline-flex", lg: "inline" },
    alignItems: "center",
    minH: { base: THUMB, lg: "auto" },
    minW: { base: THUMB, lg: "auto" },
  },
});

/** A page: its name, what it is about in a line, its actions, its contents. */
export function Page({
  title,
  lead,
  actions,
  children,
}: {
  title: string;
  lead?: ReactNode;
  actions?: ReactNode;
  children: ReactNode;
}) {
  return (
    <Box
      as="main"
      id="main"
      px={{ base: "4", md: "8" }}
      pt={{ base: "4", md: "7" }}
      pb="16"
      maxW="1280px"
      mx="auto"
      tabIndex={-1}
      outline="none"
    >
      <Flex wrap="wrap" gap="3" align="flex-end" justify="space-between" mb={{ base: "4", md: "6" }}>
        <Box>
          <Heading
            as="h1"
            fontSize={{ base: "3xl", md: "4xl" }}
            fontWeight="600"
            letterSpacing="-0.01em"
            lineHeight="1.1"
          >
            {title}
          </Heading>
          {lead && (
            <Text color="inkSoft" mt="1.5" maxW="68ch">
              {lead}
            </Text>
          )}
        </Box>
        {actions && (
          <Flex gap="2" wrap="wrap" data-noprint>
            {actions}
          </Flex>
        )}
      </Flex>
      {children}
    </Box>
  );
}

/** A part of a page under a rule. */
export function Section({
  title,
  note,
  children,
  id,
}: {
  title: string;
  note?: ReactNode;
  children: ReactNode;
  id?: string;
}) {
  return (
    // the heading has its rule; a first row need not bring another
    <Box as="section" mb="9" id={id} css={{ "& > div:first-of-type + div": { borderTopColor: "transparent" } }}>
      <Flex align="baseline" gap="3" borderBottomWidth="1px" borderColor="rule" pb="1.5" mb="3" wrap="wrap">
        <Heading as="h2" fontSize="xl" fontWeight="600">
          {title}
        </Heading>
        {note && (
          <Text color="inkSoft" fontSize="sm">
            {note}
          </Text>
        )}
      </Flex>
      {children}
    </Box>
  );
}

/** What is wrong in a checked form as it stands now, by field, and whether it was sent so; null outside of one. */
export const CheckedContext = createContext<{ errors: Record<string, string>; refused: boolean } | null>(null);

export type Faults = { errors: Record<string, string>; typed: Record<string, string> } | undefined | null;

/** What is wrong in a form, by field: as it stands now where the form is checked, else as the server found it. */
export const useErrors = (faults?: Faults): Record<string, string> => {
  const checked = useContext(CheckedContext);
  return checked?.errors ?? faults?.errors ?? {};
};

/** A labelled field with its hint, and what is wrong with it beside it. */
export function Field({
  name,
  of = "",
  label,
  hint,
  faults,
  children,
}: {
  name: string;
  /** what the form is about, where several forms of a page have fields of the same name */
  of?: string;
  label: string;
  hint?: ReactNode;
  faults?: Faults;
  children: (props: FieldProps) => ReactNode;
}) {
  const error = useErrors(faults)[name];
  const id = of ? `${name}-${of}` : name;
  const describedBy = [hint ? `${id}-hint` : null, error ? `${id}-error` : null].filter(Boolean).join(" ");
  return (
    <ChakraField.Root
      invalid={error !== undefined}
      id={id}
      ids={{ helperText: `${id}-hint`, errorText: `${id}-error` }}
    >
      <ChakraField.Label>{label}</ChakraField.Label>
      {children({
        id,
        name,
        "aria-invalid": error ? true : undefined,
        "aria-describedby": describedBy || undefined,
      })}
      {hint && <ChakraField.HelperText>{hint}</ChakraField.HelperText>}
      {error && <ChakraField.ErrorText role="alert">{error}</ChakraField.ErrorText>}
    </ChakraField.Root>
  );
}
export type FieldProps = {
  id: string;
  name: string;
  "aria-invalid": true | undefined;
  "aria-describedby": string | undefined;
};

/** What was typed before an error, else the value as it stands. */
export const shownValue = (faults: Faults, name: string, value: string | number | null | undefined): string =>
  faults?.typed[name] ?? (value === null || value === undefined ? "" : String(value));

/** A quiet box for a caution or an empty state. */
export function Note({
  tone = "plain",
  title,
  children,
}: {
  tone?: "plain" | "caution" | "frost";
  title?: string;
  children: ReactNode;
}) {
  const look = {
    plain: { bg: "tint", border: "rule" },
    caution: { bg: "madderTint", border: "madder" },
    frost: { bg: "frostTint", border: "frost" },
  }[tone];
  return (
    <Box bg={look.bg} borderLeftWidth="4px" borderColor={look.border} px="4" py="3" mb="4">
      {title && (
        <Text fontWeight="650" mb="0.5">
          {title}
        </Text>
      )}
      <Box>{children}</Box>
    </Box>
  );
}

/** What is wrong with a whole form, once it was sent: a field that was only left says so itself. */
export function FormError({ faults }: { faults: Faults }) {
  const errors = useErrors(faults);
  const sent = useContext(CheckedContext)?.refused ?? true;
  const count = Object.keys(errors).length;
  if (count === 0 || !sent) return null;
  return (
    <Note
      tone="caution"
      title={
        errors.form
          ? "Not saved"
          : `Not saved: ${count === 1 ? "one field wants" : `${count} fields want`} a look. Nothing you typed is lost.`
      }
    >
      {errors.form ?? null}
    </Note>
  );
}

/** A page or part with nothing in it yet: a picture, what is missing, what comes here and how. */
export function Empty({ icon: Icon, title, children }: { icon: LucideIcon; title: string; children?: ReactNode }) {
  return (
    <EmptyState.Root>
      <EmptyState.Content>
        <EmptyState.Indicator>
          <Icon aria-hidden strokeWidth={1.5} />
        </EmptyState.Indicator>
        <EmptyState.Title>{title}</EmptyState.Title>
        {children && <EmptyState.Description as="div">{children}</EmptyState.Description>}
      </EmptyState.Content>
    </EmptyState.Root>
  );
}
