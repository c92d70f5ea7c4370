/** How far the long imports have got, 0 to 1, by the word their page asks with; only the last few are remembered. */
const going = new Map<string, number>();
const REMEMBERED = 20;

/** Notes how far an import has got. */
export function note(token: string, done: number): void {
  going.delete(token);
  going.set(token, done);
  for (const old of going.keys()) {
    if (going.size <= REMEMBERED) break;
    going.delete(old);
  }
}

/** How far an import has got; null: nobody knows of it. */
export const progressOf = (token: string): number | null => going.get(token) ?? null;
