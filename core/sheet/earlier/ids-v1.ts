const GARMENTS_OWN = /^(waist|high-hip|tummy|hip|level-.*|zip)$/;
/** What a figure of a version 1 sheet is called since figures carry their part: `hem` is `skirt.hem`. */
export const figureIdV1 = (id: string): string => (GARMENTS_OWN.test(id) ? id : `skirt.${id}`);

/** Codes of checks that moved to the skirt. */
const SKIRTS_OWN = /^(stride|dart-over-front|dart-over-back)$/;
/** A check’s code of version 1 as it is called now. */
export const checkCodeV1 = (code: string): string =>
  SKIRTS_OWN.test(code) ? `skirt.${code}` : code === 'drift-hem' ? 'drift-skirt.hem' : code;
