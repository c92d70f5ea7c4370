import { describe, expect, it } from "vitest";
import { answered, ready, withGarden } from "./garden";

describe("the plot drawn by hand", () => {
  const here = withGarden("demo");
  const board = "svg[aria-label^='Drawing board']";
  const bed = (name: string) => `${board} g[role=button][aria-label^='${name},']`;

  it("by pointer: drawn, moved, sized, turned, copied, named, saved as one change and taken back", async () => {
    const { page, context, troubles } = await here.visit();
    await page.goto("/plot/draw");
    await ready(page);
    const before = await page.locator(`${board} g[role=button]`).count();
    const box = (await page.locator(board).boundingBox())!;
    const at = (x: number, y: number): [number, number] => [box.x + box.width * x, box.y + box.height * y];
    const drag = async (from: [number, number], to: [number, number]) => {
      await page.mouse.move(...from);
      await page.mouse.down();
      await page.mouse.move((from[0] + to[0]) / 2, (from[1] + to[1]) / 2);
      await page.mouse.move(...to);
      await page.mouse.up();
    };
    await drag(at(0.7, 0.19), at(0.78, 0.26));
    await page.locator(bed("Bed 1")).waitFor();
    const said = () => page.locator(bed("Bed 1")).getAttribute("aria-label");
    const first = await said();
    const middle = async () => {
      const b = (await page.locator(bed("Bed 1")).locator("rect").first().boundingBox())!;
      return [b.x + b.width / 2, b.y + b.height / 2] as [number, number];
    };
    const [mx, my] = await middle();
    await drag([mx, my], [mx + 60, my]);
    expect(await said()).not.toBe(first);
    const corner = (await page.getByTestId("corner").locator("rect").boundingBox())!;
    const size = page.getByLabel("East to west");
    const wide = await size.inputValue();
    await drag([corner.x + corner.width / 2, corner.y + corner.height / 2], [corner.x - 30, corner.y]);
    expect(await size.inputValue()).not.toBe(wide);
    await page.getByLabel("Name", { exact: true }).fill("Herbs");
    await size.fill("0.8 m");
    await size.blur();
    await page.getByRole("button", { name: "Copy" }).click();
    await page.locator(bed("Herbs 1")).waitFor();
    await page.getByRole("button", { name: "Take back" }).click();
    expect(await page.locator(bed("Herbs 1")).count()).toBe(0);
    await answered(page, () => page.getByRole("button", { name: "Save 1 bed" }).click());
    await page.getByText("Plot drawn: 1 bed added").waitFor();
    expect(await page.locator(`${board} g[role=button]`).count()).toBe(before + 1);
    expect(await page.locator(bed("Herbs")).getAttribute("aria-label")).toMatch(/^Herbs, 0\.8 m by/);
    await page.getByRole("button", { name: "Undo" }).click();
    await page.locator(bed("Herbs")).waitFor({ state: "detached" });
    expect(troubles).toEqual([]);
    await context.close();
  });

  it("by keys: arrows move, with Shift they size, R turns, C copies", async () => {
    const { page, context, troubles } = await here.visit();
    await page.goto("/plot/draw");
    await ready(page);
    const brook = page.locator(bed("Brook bed"));
    const first = await brook.getAttribute("aria-label");
    await brook.focus();
    await page.keyboard.press("ArrowRight");
    const moved = await brook.getAttribute("aria-label");
    expect(moved).not.toBe(first);
    await page.keyboard.press("ArrowLeft");
    expect(await brook.getAttribute("aria-label")).toBe(first);
    await page.keyboard.press("Shift+ArrowUp");
    expect(await brook.getAttribute("aria-label")).not.toBe(first);
    await page.keyboard.press("Delete");
    // something grows in it: it stays
    expect(await brook.count()).toBe(1);
    await page.getByText("it is removed on its own page").waitFor();
    expect(troubles).toEqual([]);
    await context.close();
  });

  it("by finger on a phone", async () => {
    const context = await here.browser.newContext({
      viewport: { width: 390, height: 844 },
      hasTouch: true,
      isMobile: true,
    });
    const page = await context.newPage();
    await page.goto(`${here.garden.address}/plot/draw`, { waitUntil: "networkidle" });
    const box = (await page.locator(board).boundingBox())!;
    const client = await context.newCDPSession(page);
    const touch = (type: "touchStart" | "touchMove" | "touchEnd", x = 0, y = 0) =>
      client.send("Input.dispatchTouchEvent", {
        type,
        touchPoints: type === "touchEnd" ? [] : [{ x: box.x + box.width * x, y: box.y + box.height * y }],
      });
    await touch("touchStart", 0.72, 0.2);
    for (const k of [0.74, 0.77, 0.8]) await touch("touchMove", k, 0.2 + (k - 0.72));
    await touch("touchEnd");
    await page.locator(bed("Bed 1")).waitFor();
    expect(await page.getByRole("button", { name: "Save 1 bed" }).isEnabled()).toBe(true);
    await context.close();
  });
});
