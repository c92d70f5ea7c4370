import { z } from "zod";

/** A dish of the household's own: what it is made of, and where it is written or how it goes. */
export const dishSchema = z.object({
  id: z.string().min(1).max(40),
  name: z.string().trim().min(1, "give the dish a name").max(80, "at most 80 letters"),
  cropIds: z.array(z.string().min(1).max(60)).min(1, "say what it is made of").max(12, "at most 12 crops"),
  note: z.string().trim().max(1000, "at most 1000 letters"),
});
export type Dish = z.infer<typeof dishSchema>;

/**
 * The household's dishes that use what most wants to be used: those with the most of the crops come first, then those
 * whose crops stand earliest in the list.
 * @param wanting crops in the order in which they want to be used
 */
export function dishesFor(dishes: readonly Dish[], wanting: readonly string[]): { dish: Dish; uses: string[] }[] {
  return dishes
    .map((dish) => ({ dish, uses: wanting.filter((id) => dish.cropIds.includes(id)) }))
    .filter((x) => x.uses.length > 0)
    .sort(
      (a, b) =>
        b.uses.length - a.uses.length ||
        wanting.indexOf(a.uses[0]!) - wanting.indexOf(b.uses[0]!) ||
        (a.dish.name < b.dish.name ? -1 : 1),
    );
}
