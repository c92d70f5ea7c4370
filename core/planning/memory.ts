import same from "fast-deep-equal";

type Known = { on: readonly unknown[]; made: unknown };

/** What was worked out before, by name: it is worked out again only when something it hangs on has changed. */
export class Memory {
  readonly #known = new Map<string, Known>();

  /**
   * What `make` gave last time under this name when all it hangs on is the same to the last digit, else what it gives now.
   * @param on everything that `make` reads, in the same order each time
   */
  once<T>(name: string, on: readonly unknown[], make: () => T): T {
    const known = this.#known.get(name);
    if (known && same(known.on, on)) {
      // the very objects that come now come next time too, and are told to be the same at a glance
      known.on = on;
      return known.made as T;
    }
    const made = make();
    this.#known.set(name, { on, made });
    return made;
  }

  /** The value kept under this name while it is the same, so that whatever hangs on it is compared at a glance. */
  steady<T>(name: string, value: T): T {
    return this.once(name, [value], () => value);
  }

  /** Forgets every name but these: what is gone from the garden is not remembered for ever. */
  keepOnly(names: ReadonlySet<string>): void {
    for (const name of this.#known.keys()) if (!names.has(name)) this.#known.delete(name);
  }
}
