/** Cut beyond what is needed: a share of it, at least so many of each kind. */
export interface Spares {
	/** 0.1: a tenth more. */
	share: number;
	least: number;
}

/** Small parts get lost and broken; each kind gets at least two. Common practice, no source. */
export const USUAL_SPARES: Spares = { share: 0.1, least: 2 };
