/** A length rounded to a part of a millimetre: 0.001 mm, or coarser. Never −0, which JSON does not know. */
export const tidyMm = (mm: number, stepMm = 0.001): number =>
	Number((Math.round(mm / stepMm) * stepMm).toFixed(4)) || 0;
