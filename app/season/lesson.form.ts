import { lessonSchema } from "#core/season/lessons";
import { formSchema } from "../ui/form-schema";

/** What was learned, what to do next time, of which crop, and when it is to come up again. */
export const lessonForm = formSchema(
  lessonSchema.pick({ words: true, next: true, cropId: true, remindOn: true }),
  (typed) => ({
    row: {
      words: typed.words ?? "",
      next: typed.next ?? "",
      cropId: typed.cropId || null,
      remindOn: typed.remindOn || null,
    },
  }),
);
