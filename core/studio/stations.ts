/** Where a piece's journey stops, in its order. */
export const STATIONS = ["kits", "cut", "bench", "dry", "load", "fire", "open", "handOver"] as const;
export type Station = (typeof STATIONS)[number];
