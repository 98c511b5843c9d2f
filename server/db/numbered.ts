/**
 * SQL of a number in so many figures at the least: `lpad` alone would cut the longer ones off, and the ten-thousandth
 * card would take the code of the thousandth.
 */
export const padded = (number: string, width: number): string =>
  `lpad((${number})::text, greatest(${width}, length((${number})::text)), '0')`;
