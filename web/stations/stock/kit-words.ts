/** A kit's name with that of its colours, where it is not as it was drawn. */
export const kitWords = (kit: string, palette: string | null): string => (palette ? `${kit}, ${palette}` : kit);
