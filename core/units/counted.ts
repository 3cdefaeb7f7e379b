/**
 * A number with its noun.
 * @example counted(1, "piece") // "1 piece"
 * @example counted(3, "piece goes", "pieces go") // "3 pieces go"
 */
export const counted = (n: number, one: string, many = `${one}s`): string => `${n} ${n === 1 ? one : many}`;
