import type { SystemContext } from "@chakra-ui/react";
import { type SerializedStyles, serializeStyles } from "@emotion/serialize";

/** Looks kept at most: more than all pages wear together; then they are reckoned anew. */
const KEPT = 6000;

/** Numbers objects by what they are, not by what is in them. */
function numbering() {
  const numbers = new WeakMap<object, number>();
  let next = 0;
  return (thing: object) => {
    const known = numbers.get(thing);
    if (known !== undefined) return known;
    numbers.set(thing, next);
    return next++;
  };
}

/**
 * The same system of looks, where each look is reckoned, written out and hashed once and not once an element.
 * Chakra makes the recipe of every plain element anew each time it is drawn and keeps 500 looks where our pages wear
 * more; together that took half of the time in which a page was drawn. The recipe of a component is known by that
 * component's own object, what an element wears by its values; what comes back is what Emotion passes on as it is.
 * @param system as Chakra's createSystem returns it; it is left as it was
 */
export function reckonedOnce(system: SystemContext): SystemContext {
  const valid = new Map<string, boolean>();
  const isValidProperty = (prop: string) => {
    let answer = valid.get(prop);
    if (answer === undefined) {
      answer = system.isValidProperty(prop);
      valid.set(prop, answer);
    }
    return answer;
  };

  type Recipe = ReturnType<SystemContext["cva"]>;
  const recipes = new WeakMap<object, Recipe>();
  const withMerge = (recipe: Recipe): Recipe => {
    const merged = new WeakMap<object, Recipe>();
    const chosen = new Map<string, object>();
    const styles = (props?: object) => {
      const key = JSON.stringify(props) ?? "";
      const known = chosen.get(key) ?? recipe(props as never);
      chosen.set(key, known);
      return known;
    };
    return Object.assign(styles, recipe, {
      merge(other: Recipe) {
        const known = merged.get(other) ?? withMerge(recipe.merge(other));
        merged.set(other, known);
        return known;
      },
    }) as Recipe;
  };
  const cva = ((config: object = {}) => {
    const known = recipes.get(config) ?? withMerge(system.cva(config as never));
    recipes.set(config, known);
    return known;
  }) as SystemContext["cva"];

  const numberOf = numbering();
  const looks = new Map<string, SerializedStyles>();
  const css = (recipeStyles: object | undefined, ...worn: object[]) => {
    const key = `${recipeStyles === undefined ? "" : numberOf(recipeStyles)}${JSON.stringify(worn)}`;
    const known = looks.get(key);
    if (known) return known;
    if (looks.size >= KEPT) looks.clear();
    const look = serializeStyles([system.css(recipeStyles as never, ...(worn as never[])) as never]);
    looks.set(key, look);
    return look;
  };

  return {
    ...system,
    isValidProperty,
    cva,
    css: css as unknown as SystemContext["css"],
    _global: serializeStyles([system._global as never]) as unknown as SystemContext["_global"],
  };
}
