import { describe, expect, it } from "vitest";
import { cropOf } from "./index";

/**
 * The crop classes at a glance of the trade handbook (habit and ripening by common practice; refrigerator and
 * ethylene after USDA Agriculture Handbook 66; foliage after US extension sheets; all from memory): an independent
 * table against which the data files are held.
 * habit: O once-over, R repeat, L leaf by leaf, C cut again, N as needed, M main then side, P perennial ·
 * R must ripen, S size only, B both · climacteric · frost class to be picked before: G ground, L light, M moderate,
 * S severe, - none · foliage D dry, B better dry, F fruit dry, X dry day, A any · refrigerator Y, W few days, N no ·
 * ethylene P, S, B both, - little
 */
const CLASSES = `
bulb-onion O R - - X N -
garlic O R - - X N -
garlic-softneck O R - - X N -
garlic-elephant O R - - X N -
shallot O R - - X N -
walking-onion N B - - A Y -
spring-onion N S - S A Y -
leek N S - S A Y S
chives C S - M A Y S
radish R S - S A Y -
turnip R S - S A Y -
swede N S - S A Y -
kohlrabi N S - S A Y -
kale L S - - A Y S
mustard-greens L S - M A Y S
rocket C S - S A Y S
mizuna C S - S A Y S
pak-choi O S - M A Y S
cabbage M S - S A Y S
calabrese M S - M A Y S
cauliflower O S - M A Y S
brussels-sprouts R S - - A Y S
carrot R S - S A Y S
celeriac N S - S A Y -
fennel-bulb O S - M A Y -
coriander L S - S A Y S
parsley L S - - A Y S
beetroot R S - M A Y -
chard L S - M A Y S
spinach L S - - A Y S
potato-early N S - L B N -
tomato-cherry R R c L D N B
tomato R R c L D N B
pepper-sweet R B - L B W -
chilli R B - L B W -
aubergine R S - L B W S
sweet-potato O S - L X N S
ginger O B - L A N -
cucumber R S - L D W S
courgette R S - L B W S
patty-pan R S - L B W S
winter-squash O R - L X N S
pumpkin O R - L X N S
melon-netted R R c L D Y P
watermelon R R - L B W S
loofah R B - L B W -
french-bean-bush R S - L D Y S
french-bean-climbing R S - L D Y S
runner-bean R S - L D Y S
dry-bean O R - L X N -
pea-shelling R S - M B Y S
pea-snap R S - M B Y S
mangetout R S - M B Y S
sweet-corn O R - L A Y -
lettuce-head O S - M A Y S
lettuce-loose-leaf C S - M A Y S
chamomile R R - M X N -
zinnia R R - L B N -
dahlia R R - L B W S
cosmos R R - L B W S
sunflower-seed O R - M X N -
basil C S - G B N S
oregano P S - - X Y S
mint P S - - X Y S
okra R S - L B W S
strawberry R R - M F Y -
raspberry-summer R R - M F Y -
raspberry-autumn R R - M F Y -
peach R R c M F Y P
apple R R c M A Y P
plum R R c M F Y P
currant-red R R - M F Y -
blackcurrant R R - M F Y -
gooseberry R B - M F Y -
blueberry R R - M F Y -
fig R R c M F Y P
rhubarb P S - M A Y -
asparagus P S - L A Y S
`
  .trim()
  .split("\n")
  .map((line) => line.split(" ") as [string, string, string, string, string, string, string, string]);

const HABITS: Record<string, string> = {
  O: "once-over",
  R: "repeat",
  L: "leaf-by-leaf",
  C: "cut-again",
  N: "lift-as-needed",
  M: "main-then-side",
  P: "perennial",
};
const FOLIAGE: Record<string, string[]> = {
  D: ["dry"],
  B: ["better-dry"],
  F: ["fruit-dry"],
  X: ["dry-day"],
  A: ["any"],
};
const FRIDGE: Record<string, string[]> = { Y: ["yes", "ripe-only"], W: ["few-days", "yes"], N: ["no", "ripe-only"] };
const ETHYLENE: Record<string, string> = { P: "producer", S: "sensitive", B: "both", "-": "little" };

describe("the data files against the table of classes", () => {
  it.each(CLASSES)("%s", (id, habit, nature, climacteric, before, foliage, fridge, ethylene) => {
    const crop = cropOf(id);
    expect(crop.habit).toBe(HABITS[habit]);
    if (nature !== "B") expect(crop.nature).toBe(nature === "R" ? "ripens" : "sizes");
    expect(crop.climacteric).toBe(climacteric === "c");
    expect(FOLIAGE[foliage]).toContain(crop.weather.foliage);
    expect(FRIDGE[fridge]).toContain(crop.after.fridge);
    expect(crop.ethylene).toBe(ETHYLENE[ethylene]);
    // boundaries of the frost classes: 0, −2 and −4 °C; margins of the species as the blocks give them
    if (before === "G") expect(crop.weather.killC).toBeGreaterThanOrEqual(0);
    if (before === "L") expect(crop.weather.killC).toBeGreaterThanOrEqual(-2);
    if (before === "M") expect(crop.weather.killC).toBeGreaterThanOrEqual(-7);
    if (before === "S") expect(crop.weather.killC).toBeLessThan(-3.5);
  });
});

/** C12.4: the published order of frost damage (as order, no exact kill points; from memory). */
describe("who is picked before a frost", () => {
  const killed = "basil french-bean-bush sweet-corn cucumber aubergine melon-netted okra pepper-sweet courgette tomato";
  const stands = "calabrese brussels-sprouts cabbage kale leek parsnip spinach turnip";
  it("every crop killed at 0 °C or just below comes before every one that stands a moderate freeze", () => {
    const worst = Math.min(...killed.split(" ").map((id) => cropOf(id).weather.killC));
    for (const id of stands.split(" ")) expect(cropOf(id).weather.killC, id).toBeLessThan(worst);
    for (const id of killed.split(" ")) expect(cropOf(id).weather.killC, id).toBeGreaterThan(-1.2);
  });
});
