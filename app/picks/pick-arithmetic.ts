import { readMass, roundMass, sayMass, type UnitSystem } from "#core/units/mass";
import { sayVolume, volumeUnit } from "#core/units/volume";
import { type Amount, readAmount } from "#core/weighing/amount";
import type { Bulk } from "#core/weighing/bulk";
import { doubtsOf, netOf } from "#core/weighing/net";
import { blankPick } from "#core/weighing/pick";
import { sayDoubt, sayNet } from "#core/weighing/words";

type Sum = {
  gross: string;
  count: string;
  topsOn: boolean;
  boxes: Record<string, number>;
  other: string;
  containers: { id: string; name: string; tareG: number }[];
  crop: { topsShare: number; pieceG: number; bulk: Bulk };
  planting: { usualG: number | null; plants: number | null } | undefined;
  units: UnitSystem;
};

/** How a weight came about that was not read off in one go. */
function howItCame(amount: Amount | null, bulk: Bulk, units: UnitSystem): string {
  if (!amount) return "";
  if (amount.litres > 0)
    return `${sayVolume(amount.litres, units)} at ${sayMass(bulk.kgPerL * 1000 * volumeUnit(units).litres, units)} each, ${bulk.own ? "by your own weighing" : bulk.published ? "by the published bushel weight" : "our own estimate"}`;
  return amount.loads.length > 1
    ? `${amount.loads.map((g) => sayMass(g, units)).join(" + ")} = ${sayMass(amount.massG, units)}`
    : "";
}

/** The line of arithmetic under the scale, as it will be saved. */
export function arithmetic({ gross, count, topsOn, boxes, other, containers, crop, planting, units }: Sum): {
  line: string;
  wrong: boolean;
  doubts: string[];
  netG: number | null;
} {
  const mass = gross.trim() === "" ? null : readAmount(gross, units, crop.bulk);
  if (mass && !mass.ok) return { line: mass.message, wrong: true, doubts: [], netG: null };
  const extra = other.trim() === "" ? null : readMass(other, units);
  if (extra && !extra.ok) return { line: extra.message, wrong: true, doubts: [], netG: null };
  const tare = containers
    .filter((c) => (boxes[c.id] ?? 0) > 0)
    .map((c) => ({ name: c.name, tareG: c.tareG, count: boxes[c.id] ?? 0 }));
  if (extra?.ok && extra.massG > 0) tare.push({ name: "other", tareG: extra.massG, count: 1 });
  const pieces = count.trim() === "" ? null : Number(count);
  if (!mass && pieces === null) return { line: "Give a weight or a count.", wrong: false, doubts: [], netG: null };
  const pick = blankPick({
    count: pieces,
    grossG: mass?.ok ? mass.amount.massG : null,
    entered: gross,
    tare,
    topsOn,
    estimated: mass?.ok ? mass.amount.estimated : false,
  });
  const net = netOf(pick, crop.topsShare, crop.pieceG);
  if (net.netG < 0)
    return {
      line: `The empties weigh ${sayMass(roundMass(-net.netG), units)} more than the load.`,
      wrong: true,
      doubts: [],
      netG: null,
    };
  return {
    netG: net.netG,
    line: [howItCame(mass?.ok ? mass.amount : null, crop.bulk, units), sayNet(pick, net, units)]
      .filter(Boolean)
      .join("; "),
    wrong: false,
    doubts: doubtsOf(
      pick,
      net,
      planting?.usualG ?? null,
      crop.pieceG,
      crop.topsShare > 0 ? (planting?.plants ?? null) : null,
    ).map(sayDoubt),
  };
}
