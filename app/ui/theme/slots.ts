import { defineSlotRecipe } from "@chakra-ui/react";
import { THUMB, written } from "./recipes";
import { checkboxCard, radioCard } from "./slots-answers";
import { numberSlots } from "./slots-numbers";

/** What opens over the page: a sheet with a leaf's corners. */
const popup = {
  bg: "sheet",
  color: "ink",
  borderWidth: "1px",
  borderColor: "rule",
  borderRadius: "leaf",
  boxShadow: "lg",
  outline: "none",
  zIndex: "10",
} as const;
const small = { display: "block", color: "inkSoft", fontSize: "sm", mt: "1" } as const;

const field = defineSlotRecipe({
  slots: ["root", "label", "helperText", "errorText", "requiredIndicator"],
  base: {
    root: { display: "block", minW: "0" },
    label: { fontWeight: "600", display: "block", mb: "1" },
    helperText: small,
    errorText: { ...small, color: "madder", fontWeight: "600" },
  },
});

const fieldset = defineSlotRecipe({
  slots: ["root", "legend", "content", "helperText", "errorText"],
  base: {
    root: { minW: "0" },
    legend: { fontWeight: "600", mb: "1" },
    helperText: small,
    errorText: { ...small, color: "madder", fontWeight: "600" },
  },
});

const nativeSelect = defineSlotRecipe({
  slots: ["root", "field", "indicator"],
  base: {
    root: { display: "flex", width: "100%", position: "relative", minW: "0" },
    field: { ...written, appearance: "none", pe: "9", minW: "0", textOverflow: "ellipsis", cursor: "pointer" },
    indicator: {
      position: "absolute",
      right: "2.5",
      top: "0",
      height: "100%",
      display: "flex",
      alignItems: "center",
      pointerEvents: "none",
      color: "inkSoft",
    },
  },
});

/** The tick follows the box itself, so that it is right before the page's scripts run too. */
const checkbox = defineSlotRecipe({
  slots: ["root", "control", "indicator", "label", "group"],
  base: {
    root: {
      display: "flex",
      alignItems: "center",
      gap: "2.5",
      minH: THUMB,
      cursor: "pointer",
      position: "relative",
      "& input:checked + [data-part=control]": { bg: "moss", borderColor: "moss" },
      "& input:checked + [data-part=control] svg": { visibility: "visible" },
      "& input:focus-visible + [data-part=control]": {
        outline: "3px solid",
        outlineColor: "focus",
        outlineOffset: "2px",
      },
    },
    control: {
      flexShrink: "0",
      display: "grid",
      placeItems: "center",
      w: "22px",
      h: "22px",
      borderWidth: "1.5px",
      borderColor: "inkSoft",
      borderRadius: "soft",
      bg: "sheet",
      color: "sheet",
      "& svg": { visibility: "hidden" },
    },
  },
});

const popover = defineSlotRecipe({
  slots: ["content"],
  base: { content: { ...popup, px: "4", py: "3", maxW: "20rem" } },
});

const menu = defineSlotRecipe({
  slots: ["content", "item"],
  base: {
    content: { ...popup, minW: "200px", py: "2" },
    item: { "&[data-highlighted]": { bg: "tint" } },
  },
});

const combobox = defineSlotRecipe({
  slots: ["root", "control", "input", "trigger", "content", "item", "empty"],
  base: {
    control: { position: "relative" },
    input: { ...written, pe: "12" },
    trigger: {
      position: "absolute",
      right: "0",
      top: "0",
      h: "100%",
      w: THUMB,
      display: "grid",
      placeItems: "center",
    },
    content: { ...popup, borderRadius: "soft", maxH: "50vh", overflowY: "auto", py: "1" },
    item: {
      px: "3",
      minH: THUMB,
      display: "flex",
      alignItems: "center",
      cursor: "pointer",
      "&[data-highlighted]": { bg: "tint" },
      "&[data-state=checked]": { fontWeight: "650" },
    },
    empty: { px: "3", py: "3", color: "inkSoft" },
  },
});

const dialog = defineSlotRecipe({
  slots: ["backdrop", "positioner", "content", "title", "header", "body", "footer"],
  base: {
    backdrop: { position: "fixed", inset: "0", bg: "rgb(0 0 0 / 0.4)", zIndex: "20" },
    positioner: {
      position: "fixed",
      inset: "0",
      zIndex: "21",
      display: "flex",
      alignItems: "center",
      justifyContent: "center",
      p: "4",
    },
    content: { ...popup, bg: "paper", w: "100%", maxW: "460px", maxH: "90vh", overflowY: "auto", p: "6" },
    title: { fontFamily: "heading", fontWeight: "600", fontSize: "xl", mb: "3" },
    footer: { mt: "4" },
  },
});

/** What was done, over the foot of the page: on a phone above the parts at the thumb. */
const toast = defineSlotRecipe({
  slots: ["root", "title", "actionTrigger", "closeTrigger"],
  base: {
    root: {
      display: "flex",
      alignItems: "center",
      gap: "3",
      w: { base: "calc(100vw - 2rem)", sm: "max-content" },
      maxW: "44rem",
      bg: "ink",
      color: "paper",
      borderRadius: "leaf",
      boxShadow: "lg",
      ps: "4",
      pe: "2",
      py: "1.5",
      translate: "var(--x) var(--y)",
      opacity: "var(--opacity)",
      zIndex: "var(--z-index)",
    },
    title: { flex: "1", minW: "0" },
    actionTrigger: {
      minH: THUMB,
      px: "4",
      bg: "paper",
      color: "ink",
      borderRadius: "leaf",
      fontWeight: "650",
      cursor: "pointer",
    },
    closeTrigger: { minH: THUMB, minW: THUMB, display: "grid", placeItems: "center", cursor: "pointer" },
  },
});

const tooltip = defineSlotRecipe({
  slots: ["content"],
  base: { content: { ...popup, bg: "ink", color: "paper", px: "2.5", py: "1", maxW: "20rem", fontSize: "sm" } },
});

const table = defineSlotRecipe({
  slots: ["root", "header", "body", "footer", "row", "columnHeader", "cell", "caption"],
  base: { root: { borderCollapse: "collapse", textAlign: "left", "& th": { textAlign: "left", fontWeight: "600" } } },
  variants: {
    variant: {
      figures: {
        root: {
          width: "100%",
          "& th": { padding: "0 0.9rem 0.5rem 0", whiteSpace: "nowrap" },
          "& td, & tbody th": {
            padding: "0.5rem 0.9rem 0.5rem 0",
            borderTopWidth: "1px",
            borderColor: "ruleSoft",
            verticalAlign: "middle",
          },
          "& .number": { textAlign: "right", whiteSpace: "nowrap", fontVariantNumeric: "tabular-nums" },
          "& .name": { fontWeight: "650" },
          // words after figures stand clear of them, and no column is squeezed into a heap of single words
          "& .number + :not(.number)": { paddingLeft: "0.9rem" },
          "& td:not(.number), & tbody th": { minWidth: "7rem", whiteSpace: "normal" },
          "& td:last-of-type:not(.number)": { minWidth: "11rem" },
        },
      },
      plain: {},
    },
  },
  defaultVariants: { variant: "plain" },
});

const progress = defineSlotRecipe({
  slots: ["root", "label", "track", "range", "valueText"],
  base: {
    label: { fontWeight: "600" },
    track: { h: "6px", bg: "tint", overflow: "hidden" },
    range: { h: "100%", bg: "moss" },
  },
  variants: { size: { sm: {}, lg: { track: { h: "12px" } } } },
  defaultVariants: { size: "sm" },
});

const fileUpload = defineSlotRecipe({
  slots: ["root", "label", "dropzone", "dropzoneContent", "trigger", "itemGroup", "item", "itemName", "itemSizeText"],
  base: {
    root: { minW: "0" },
    label: { fontWeight: "600", display: "block", mb: "1" },
    dropzone: {
      display: "flex",
      flexWrap: "wrap",
      alignItems: "center",
      gap: "3",
      minH: THUMB,
      px: "3",
      py: "1",
      bg: "sheet",
      borderWidth: "1.5px",
      borderStyle: "dashed",
      borderColor: "inkSoft",
      borderRadius: "soft",
      cursor: "pointer",
      "&[data-dragging]": { bg: "mossTint", borderColor: "moss" },
    },
    itemGroup: { display: "flex", flexWrap: "wrap", gap: "3", listStyle: "none" },
    item: { display: "flex", gap: "2", alignItems: "center" },
    itemName: { fontWeight: "600", overflowWrap: "anywhere" },
    itemSizeText: { color: "inkSoft", fontSize: "sm" },
  },
});

const emptyState = defineSlotRecipe({
  slots: ["root", "content", "indicator", "title", "description"],
  base: {
    root: { py: { base: "8", md: "12" }, px: "4" },
    content: {
      display: "flex",
      flexDirection: "column",
      alignItems: "center",
      textAlign: "center",
      gap: "3",
      maxW: "34rem",
      mx: "auto",
    },
    indicator: { color: "moss", "& svg": { width: "40px", height: "40px" } },
    title: { fontFamily: "heading", fontWeight: "600", fontSize: "xl" },
    description: { color: "inkSoft" },
  },
});

const day = { w: "40px", h: "40px", display: "grid", placeItems: "center", cursor: "pointer", borderRadius: "soft" };
const datePicker = defineSlotRecipe({
  slots: [
    "root",
    "positioner",
    "content",
    "view",
    "viewControl",
    "viewTrigger",
    "prevTrigger",
    "nextTrigger",
    "rangeText",
    "table",
    "tableHeader",
    "tableCell",
    "tableCellTrigger",
  ],
  base: {
    content: { ...popup, p: "3" },
    viewControl: { display: "flex", alignItems: "center", justifyContent: "space-between", mb: "1" },
    viewTrigger: { minH: THUMB, px: "3", fontWeight: "650", cursor: "pointer" },
    prevTrigger: { ...day, w: THUMB, h: THUMB, color: "moss" },
    nextTrigger: { ...day, w: THUMB, h: THUMB, color: "moss" },
    table: { borderCollapse: "collapse" },
    tableHeader: { fontSize: "sm", fontWeight: "600", color: "inkSoft", textAlign: "center", w: "40px" },
    tableCell: { textAlign: "center" },
    tableCellTrigger: {
      ...day,
      _hover: { bg: "tint" },
      "&[data-view=month], &[data-view=year]": { w: "72px" },
      "&[data-outside-range]": { color: "inkSoft" },
      "&[data-today]": { fontWeight: "700", textDecoration: "underline", textUnderlineOffset: "3px" },
      "&[data-selected]": { bg: "moss", color: "sheet" },
      "&[data-disabled]": { opacity: 0.35, cursor: "not-allowed" },
    },
  },
});

/** Chakra's components in our look. */
export const slotRecipes = {
  field,
  fieldset,
  nativeSelect,
  checkbox,
  popover,
  menu,
  combobox,
  dialog,
  toast,
  tooltip,
  table,
  progress,
  fileUpload,
  ...numberSlots,
  emptyState,
  datePicker,
  radioCard,
  checkboxCard,
};
