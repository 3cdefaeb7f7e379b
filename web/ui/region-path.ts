import type { Region, Ring } from "@core/geometry/region";

export const ringPath = (ring: Ring): string =>
	`M${ring.map(({ x, y }) => `${x.toFixed(2)} ${(-y).toFixed(2)}`).join("L")}Z`;

export const regionPath = (region: Region): string => region.map(ringPath).join("");
