import { UNSAFE_ErrorResponseImpl as ErrorResponse } from "react-router";
import { describe, expect, it, vi } from "vitest";
import { unreachable } from "../offline/unreachable";
import { timeSince } from "./walk-offline";

describe("what waits on the phone", () => {
  it("is what could not reach the server, or what its full disk could not take; a refusal is told at once", () => {
    vi.stubGlobal("navigator", { onLine: true });
    expect(unreachable(new TypeError("Failed to fetch"))).toBe(true);
    expect(unreachable(new ErrorResponse(507, "Insufficient Storage", { message: "full" }))).toBe(true);
    expect(unreachable(new ErrorResponse(422, "", {}))).toBe(false);
    expect(unreachable(new ErrorResponse(500, "", {}))).toBe(false);
    vi.stubGlobal("navigator", { onLine: false });
    expect(unreachable(new Error("whatever"))).toBe(true);
    vi.unstubAllGlobals();
  });
  it("carries the garden's time, moved on by what has passed on the phone, and never into the next day", () => {
    const loaded = Date.now() - 25 * 60_000;
    expect(timeSince("2026-10-06T15:30", loaded)).toBe("2026-10-06T15:55");
    expect(timeSince("2026-10-06T23:50", loaded)).toBe("2026-10-06T23:59");
  });
});
