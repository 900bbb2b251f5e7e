/**
 * The diameter of a wire by its gauge, mm: `0.127 × 92^((36 − g) ÷ 39)`.
 * Source: ASTM B258 (American wire gauge; from memory).
 * @param gauge 0 to 40
 * @example gaugeWidth(20) // 0.812
 */
export const gaugeWidth = (gauge: number): number => 0.127 * 92 ** ((36 - gauge) / 39)
