import { describe, expect, it } from "vitest";
import { byIntent } from "./forms.server";

describe("a form answered by its intent", () => {
  const answers = { keep: () => "kept", remove: () => "removed" };
  it("does what its button asks for, and nothing else", () => {
    const asked: string[] = [];
    const noting = {
      keep: () => asked.push("keep"),
      remove: () => asked.push("remove"),
    };
    byIntent({ intent: "remove" }, noting);
    expect(asked).toEqual(["remove"]);
    expect(byIntent({ intent: "keep" }, answers)).toBe("kept");
  });
  it.each(["", "drop", "constructor", "__proto__", "toString"])(
    "refuses “%s”, and gives back what was typed",
    (intent) => {
      expect(byIntent({ intent, note: "late" }, answers)).toMatchObject({
        init: { status: 422 },
        data: { errors: { form: "Nothing was asked." }, typed: { note: "late" } },
      });
    },
  );
  it("refuses a form without any", () => expect(byIntent({}, answers)).toMatchObject({ init: { status: 422 } }));
});
