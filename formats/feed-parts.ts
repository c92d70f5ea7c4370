/** What the garden's calendar can hold. */
export const FEED_PARTS = ["rounds", "jobs", "windows", "looks", "cures", "trips"] as const;
export type FeedPart = (typeof FEED_PARTS)[number];
export const FEED_WORDS: Record<FeedPart, string> = {
  rounds: "Rounds",
  jobs: "Jobs",
  windows: "When crops are expected ready",
  looks: "Looks that are due",
  cures: "Ends of curing",
  trips: "Times away",
};
