/** The columns of the log, by what stands over them. */
const COLUMNS = {
  when: "When",
  kind: "What",
  crop: "Crop",
  bed: "Bed",
  gross: "Gross",
  tare: "Tare",
  net: "Net",
  pieces: "Pieces",
  each: "A piece",
  who: "Who",
  how: "How",
  grade: "Grade",
  way: "Went",
  part: "Part",
  purpose: "What for",
  condition: "It was",
  minutes: "Minutes",
  age: "Days old",
  note: "Note",
} as const;
export type Column = keyof typeof COLUMNS;
export const COLUMN_NAMES: Readonly<Record<Column, string>> = COLUMNS;
