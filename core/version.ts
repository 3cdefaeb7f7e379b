/** Stored results name the version of the core that made them. Raise it whenever a figure would come out differently. */
export const CORE_VERSION = "8";
