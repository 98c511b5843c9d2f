import { type Cm, cm } from '../../units/length.ts';

/** Thickness of one layer lying under the outer cloth, cm. House figures (no source). */
export const LAYER_THICKNESS = {
  lining: cm(0.02),
  underlining: cm(0.03),
  interlining: cm(0.1),
  boning: cm(0.2),
} as const;
export type LayerKind = keyof typeof LAYER_THICKNESS;

/** More girth an outer layer needs when it lies `t` off the body: 2πt, whatever the figure (geometry). */
export const layerAllowance = (t: Cm): Cm => cm(2 * Math.PI * t);
