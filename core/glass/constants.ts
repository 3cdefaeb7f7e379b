/**
 * Physical constants of fusing glass, one place, each with its origin.
 * "textbook": soda-lime values as in most glass and heat-transfer textbooks, from memory.
 */
export const DENSITY_KG_PER_M3 = 2500; // textbook
export const DENSITY_G_PER_MM3 = DENSITY_KG_PER_M3 / 1e6;
export const SURFACE_TENSION_N_PER_M = 0.3; // textbook
export const CONDUCTIVITY_W_PER_M_K = 1.0; // textbook
export const DIFFUSIVITY_M2_PER_S = 4.5e-7; // textbook
export const YOUNG_PA = 70e9; // textbook
export const POISSON = 0.22; // textbook
export const GRAVITY_M_PER_S2 = 9.81;

/** Allowed tension while a temperature difference passes through, Pa. From memory; a studio may change it. */
export const ALLOWED_TENSION_PA = 10e6;
