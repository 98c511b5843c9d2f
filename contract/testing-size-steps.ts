/** Size steps of women’s bodies, cm: bust, waist, hip. Source: EN 13402-3 (from memory). */
export const SIZE_STEPS: readonly (readonly [bust: number, waist: number, hip: number])[] = [
  [76, 60, 84],
  [80, 64, 88],
  [84, 68, 92],
  [88, 72, 96],
  [92, 76, 100],
  [96, 80, 104],
  [100, 84, 108],
  [104, 88, 112],
  [110, 94, 117],
  [116, 100, 122],
  [122, 106, 127],
  [128, 112, 132],
  [134, 118, 137],
  [140, 124, 142],
  [146, 130, 147],
  [152, 136, 152],
];
