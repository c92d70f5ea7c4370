import { describe, expect, it } from "vitest";
import { keptWith } from "./kept-with";

describe("what is kept with an object", () => {
  it("is worked out once for each question and each object, also where it comes to nothing", () => {
    const ask = keptWith<number[]>();
    let worked = 0;
    const working = <T>(answer: T) => {
      worked += 1;
      return answer;
    };
    const sum = (list: number[]) => ask(list, "sum", () => working(list.reduce((a, b) => a + b, 0)));
    const list = [1, 2, 3];
    expect([sum(list), sum(list), worked]).toEqual([6, 6, 1]);
    expect([sum([1, 2, 3]), worked]).toEqual([6, 2]);
    const none = () => ask(list, "none", () => working(undefined));
    expect([none(), none(), worked]).toEqual([undefined, undefined, 3]);
  });
  it("is not shared between those who ask", () => {
    const list: number[] = [];
    const [a, b] = [keptWith<number[]>(), keptWith<number[]>()];
    expect([a(list, "q", () => 1), b(list, "q", () => 2)]).toEqual([1, 2]);
  });
});
