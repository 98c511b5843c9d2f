import { type Cm, cm, inches } from '../../../units/length.ts';
import { type EaseRule, type EaseZone, type FitClass, fitWord, type Spans } from '../../tables/fit.ts';

/**
 * What is worn over other things has more room round the bust, spans in inches. Source: the ease chart printed on
 * commercial patterns (from memory), its rows for lined or unlined jackets and for coats.
 */
const OUTER: Record<'jacket' | 'coat', Spans> = {
  jacket: {
    fitted: [3.75, 4.25],
    'semi-fitted': [4.375, 5.75],
    loose: [5.875, 10],
    'very-loose': [10.125, 12],
  },
  coat: { fitted: [5.25, 6.75], 'semi-fitted': [6.875, 8], loose: [8.125, 12], 'very-loose': [12.125, 14] },
};

/**
 * The ease of a jacket or coat over a body whose other clothes were not stated: at the bust the chart’s middle, at waist
 * and hip as much more than a dress has there. Null where the chart has no row for the fit.
 */
export function outerEase(
  worn: 'jacket' | 'coat',
  zone: EaseZone,
  fit: FitClass,
  dress: (zone: EaseZone) => Cm,
): EaseRule | null {
  const span = OUTER[worn][fit];
  if (!span) return null;
  const bust = Math.round(((span[0] + span[1]) / 2) * 8) / 8;
  const more = bust * 2.54 - dress('bust');
  return zone === 'bust'
    ? {
        ease: inches(bust),
        because: `A ${worn}, ${fitWord(fit)}: the middle of its row of the pattern-envelope chart (from memory), since nothing that is worn beneath was stated.`,
      }
    : {
        ease: cm(dress(zone) + more),
        because: `A ${worn}: as much more than a dress has at the ${zone} as at the bust (common practice), since nothing that is worn beneath was stated.`,
      };
}
