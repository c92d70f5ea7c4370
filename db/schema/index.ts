export * from "./garden";
export * from "./handbook";
export * from "./plot";
export * from "./weather";
export * from "./work";
export type WeatherRow = typeof import("./weather").weatherDays.$inferSelect;
