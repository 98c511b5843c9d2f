import type { Sign } from './sign.ts';

/**
 * Signs that are seen on the cloth, with their likely causes in order and what is tried first. Collected from the
 * house’s handbook and common practice (no source); the words are about the cloth, never the body.
 */
export const SIGNS: readonly Sign[] = [
  {
    id: 'back-cross-folds',
    name: 'cross folds at the back above the waist',
    view: 'bodice-back',
    strokes: [
      { is: 'fold', run: [19, 46, 41, 46, 2] },
      { is: 'fold', run: [19, 51, 41, 51, 2] },
      { is: 'fold', run: [18, 56, 42, 56, 2] },
    ],
    causes: [
      {
        cause: 'the back is long for this stance',
        try: 'tuck at the centre back, to nothing at the side seams',
        kind: 'back-length',
        direction: 'shorter',
      },
      {
        cause: 'the waist is tight and the cloth rides up',
        try: 'let out at the side seams, then look again',
        kind: 'side-seams',
        direction: 'out',
      },
    ],
    look: ['neck-to-waist-back'],
  },
  {
    id: 'waist-high-back',
    name: 'waist or hem higher at the back',
    view: 'skirt-side',
    strokes: [{ is: 'level', run: [18, 22, 42, 14] }],
    causes: [
      {
        cause: 'the back is short for this stance',
        try: 'let the back down from the waist seam',
        kind: 'back-length',
        direction: 'longer',
      },
      {
        cause: 'the skirt catches at the back',
        try: 'let out at the side seams',
        kind: 'side-seams',
        direction: 'out',
      },
    ],
    look: ['neck-to-waist-back'],
  },
  {
    id: 'waist-high-front',
    name: 'waist or hem higher at the front',
    view: 'skirt-side',
    strokes: [{ is: 'level', run: [18, 14, 42, 22] }],
    causes: [
      { cause: 'the front is short', try: 'lengthen the front', kind: 'front-length', direction: 'longer' },
      {
        cause: 'more is needed over the bust',
        try: 'add over the apex',
        kind: 'bust-fullness',
        direction: 'more',
      },
    ],
    look: ['neck-to-waist-front'],
  },
  {
    id: 'gapes-above-bust',
    name: 'the upper edge or princess seam gapes above the bust',
    view: 'bodice-front',
    strokes: [
      { is: 'gape', run: [20, 12, 22, 30, 3] },
      { is: 'gape', run: [40, 12, 38, 30, -3] },
    ],
    causes: [
      {
        cause: 'too much above the apex',
        try: 'take in above, to nothing at the apex',
        kind: 'princess-above',
        direction: 'in',
      },
      {
        cause: 'the neckline is wide for the chest',
        try: 'take in at the shoulder end of the neckline',
        kind: 'neckline-widen',
        direction: 'narrower',
      },
    ],
    look: ['across-front'],
  },
  {
    id: 'strain-apex',
    name: 'strain from the apex to side or shoulder',
    view: 'bodice-front',
    strokes: [
      { is: 'strain', run: [24, 34, 16, 30] },
      { is: 'strain', run: [24, 34, 14, 24] },
      { is: 'strain', run: [36, 34, 44, 30] },
      { is: 'strain', run: [36, 34, 46, 24] },
    ],
    causes: [
      {
        cause: 'too little over the bust, in width and length',
        try: 'add over the apex',
        kind: 'bust-fullness',
        direction: 'more',
      },
      {
        cause: 'the side seam is tight at the bust',
        try: 'let out under the arm',
        kind: 'underarm',
        direction: 'out',
      },
    ],
    look: ['bust', 'neck-to-waist-front'],
  },
  {
    id: 'folds-under-bust',
    name: 'folds under the bust',
    view: 'bodice-front',
    strokes: [
      { is: 'fold', run: [20, 42, 30, 46, 1] },
      { is: 'fold', run: [40, 42, 30, 46, -1] },
      { is: 'fold', run: [20, 47, 40, 47, 2] },
    ],
    causes: [
      {
        cause: 'too much length or fullness there',
        try: 'take from the bust fullness',
        kind: 'bust-fullness',
        direction: 'less',
      },
      {
        cause: 'the dart or princess point sits high',
        try: 'move the bust level down',
        kind: 'bust-level',
        direction: 'lower',
      },
    ],
    look: ['neck-to-bust'],
  },
  {
    id: 'bust-high',
    name: 'the shape of the bust sits lower than the apex',
    view: 'bodice-front',
    strokes: [
      { is: 'fold', run: [22, 40, 28, 36, -1] },
      { is: 'fold', run: [38, 40, 32, 36, 1] },
    ],
    causes: [
      {
        cause: 'the bust level is low',
        try: 'move darts or princess point up',
        kind: 'bust-level',
        direction: 'higher',
      },
    ],
    look: ['neck-to-bust'],
  },
  {
    id: 'bust-low',
    name: 'the shape of the bust sits higher than the apex',
    view: 'bodice-front',
    strokes: [
      { is: 'fold', run: [22, 26, 28, 30, 1] },
      { is: 'fold', run: [38, 26, 32, 30, -1] },
    ],
    causes: [
      {
        cause: 'the bust level is high',
        try: 'move darts or princess point down',
        kind: 'bust-level',
        direction: 'lower',
      },
    ],
    look: ['neck-to-bust'],
  },
  {
    id: 'vertical-folds-front',
    name: 'vertical folds at the front',
    view: 'bodice-front',
    strokes: [
      { is: 'fold', run: [22, 20, 22, 58, -2] },
      { is: 'fold', run: [38, 20, 38, 58, 2] },
    ],
    causes: [
      {
        cause: 'the front is wide',
        try: 'take in at the seam nearest the fold, half each side',
        kind: 'side-seams',
        direction: 'in',
        face: 'front',
      },
      {
        cause: 'the shoulders are wide',
        try: 'take in at the armhole',
        kind: 'shoulders-in',
        direction: 'in',
      },
    ],
    look: ['bust'],
  },
  {
    id: 'vertical-folds-back',
    name: 'vertical folds at the back',
    view: 'bodice-back',
    strokes: [
      { is: 'fold', run: [24, 18, 24, 58, -2] },
      { is: 'fold', run: [36, 18, 36, 58, 2] },
    ],
    causes: [
      { cause: 'the back is wide', try: 'take in at the centre back', kind: 'centre-back', direction: 'in' },
      {
        cause: 'the darts could hold more',
        try: 'let the back darts take more',
        kind: 'back-darts',
        direction: 'in',
      },
    ],
    look: ['across-back'],
  },
  {
    id: 'cross-strain-hip',
    name: 'cross strain at the hip, the skirt rides up',
    view: 'skirt-front',
    strokes: [
      { is: 'strain', run: [14, 30, 46, 30] },
      { is: 'strain', run: [13, 35, 47, 35] },
      { is: 'strain', run: [13, 40, 47, 40] },
    ],
    causes: [
      { cause: 'narrow at the hip', try: 'let out at the side seams', kind: 'side-seams', direction: 'out' },
      {
        cause: 'the hip level lies higher than drafted',
        try: 'blend the side seam out at the hip',
        kind: 'hip-curve',
        direction: 'out',
      },
    ],
    look: ['hip', 'waist-to-hip'],
  },
  {
    id: 'cross-strain-waist',
    name: 'cross strain at the waist',
    view: 'skirt-front',
    strokes: [
      { is: 'strain', run: [20, 9, 40, 9] },
      { is: 'strain', run: [19, 13, 41, 13] },
    ],
    causes: [{ cause: 'narrow at the waist', try: 'let out at the waist', kind: 'waist', direction: 'out' }],
    look: ['waist'],
  },
  {
    id: 'cross-strain-tummy',
    name: 'strain below the waist at the front',
    view: 'skirt-front',
    strokes: [
      { is: 'strain', run: [18, 18, 42, 18] },
      { is: 'strain', run: [17, 23, 43, 23] },
    ],
    causes: [
      {
        cause: 'needs room at the front',
        try: 'give the front more of the side seam',
        kind: 'side-seams',
        direction: 'out',
        face: 'front',
      },
      {
        cause: 'front darts hold too much',
        try: 'let some of the front darts out',
        kind: 'front-darts',
        direction: 'out',
      },
    ],
    look: ['high-hip'],
  },
  {
    id: 'vertical-folds-skirt',
    name: 'vertical folds in the skirt',
    view: 'skirt-front',
    strokes: [
      { is: 'fold', run: [20, 30, 18, 72, -1] },
      { is: 'fold', run: [40, 30, 42, 72, 1] },
    ],
    causes: [{ cause: 'wide', try: 'take in at the side seams', kind: 'side-seams', direction: 'in' }],
    look: ['hip'],
  },
  {
    id: 'hip-point',
    name: 'a point stands out at the side of the hip',
    view: 'skirt-front',
    strokes: [
      { is: 'fold', run: [47, 26, 51, 33, 3] },
      { is: 'fold', run: [13, 26, 9, 33, -3] },
    ],
    causes: [
      {
        cause: 'the hip curve is fuller than this hip',
        try: 'blend the side seam in at the hip',
        kind: 'hip-curve',
        direction: 'in',
      },
    ],
    look: ['hip'],
  },
  {
    id: 'side-forward',
    name: 'the side seam swings forward',
    view: 'skirt-side',
    strokes: [{ is: 'level', run: [30, 8, 38, 74] }],
    causes: [
      {
        cause: 'the front is small, or the back large',
        try: 'give the front from the back',
        kind: 'side-swing',
        direction: 'back',
      },
      {
        cause: 'the hem is low at the back',
        try: 'raise the waist seam at the back',
        kind: 'back-length',
        direction: 'shorter',
      },
    ],
    look: ['hip'],
  },
  {
    id: 'side-back',
    name: 'the side seam swings back',
    view: 'skirt-side',
    strokes: [{ is: 'level', run: [30, 8, 22, 74] }],
    causes: [
      {
        cause: 'the back is small, or the front large',
        try: 'give the back from the front',
        kind: 'side-swing',
        direction: 'forward',
      },
    ],
    look: ['hip'],
  },
  {
    id: 'stands-out-front',
    name: 'the skirt stands out at the front, the hem dips at the back',
    view: 'skirt-side',
    strokes: [
      { is: 'level', run: [14, 66, 46, 76] },
      { is: 'fold', run: [16, 40, 12, 66, -1] },
    ],
    causes: [
      {
        cause: 'the waist seam sits low at the back',
        try: 'raise the skirt at the back waist',
        kind: 'back-length',
        direction: 'shorter',
      },
      { cause: 'the front is short', try: 'lengthen the front', kind: 'front-length', direction: 'longer' },
    ],
    look: ['neck-to-waist-front'],
  },
  {
    id: 'stands-out-back',
    name: 'the skirt stands out at the back, the hem dips at the front',
    view: 'skirt-side',
    strokes: [
      { is: 'level', run: [14, 76, 46, 66] },
      { is: 'fold', run: [44, 40, 48, 66, 1] },
    ],
    causes: [
      {
        cause: 'the waist seam sits low at the front',
        try: 'raise the skirt at the front waist',
        kind: 'front-length',
        direction: 'shorter',
      },
    ],
    look: ['neck-to-waist-back'],
  },
  {
    id: 'neck-strains',
    name: 'the neckline strains or rides up',
    view: 'bodice-front',
    strokes: [
      { is: 'strain', run: [22, 8, 26, 16] },
      { is: 'strain', run: [38, 8, 34, 16] },
      { is: 'strain', run: [26, 14, 34, 14] },
    ],
    causes: [
      {
        cause: 'the neckline is high',
        try: 'lower it a little, front and back together',
        kind: 'neckline-lower',
        direction: 'lower',
      },
      {
        cause: 'the neckline is narrow',
        try: 'widen it at the shoulder',
        kind: 'neckline-widen',
        direction: 'wider',
      },
    ],
    look: ['neck-base'],
  },
  {
    id: 'neck-stands-away',
    name: 'the neckline stands away at the back',
    view: 'bodice-back',
    strokes: [{ is: 'gape', run: [22, 6, 38, 6, -4] }],
    causes: [
      {
        cause: 'the back neck is long or wide',
        try: 'take in at the centre back above',
        kind: 'centre-back',
        direction: 'in',
      },
      {
        cause: 'the shoulder slopes more than the draft',
        try: 'lower the shoulder point',
        kind: 'shoulder-slope',
        direction: 'lower',
      },
    ],
    look: ['neck-base'],
  },
  {
    id: 'neck-gapes-front',
    name: 'the neckline gapes at the front',
    view: 'bodice-front',
    strokes: [{ is: 'gape', run: [23, 9, 37, 9, 6] }],
    causes: [
      {
        cause: 'wide at the neck',
        try: 'take in at the shoulder end of the neckline',
        kind: 'neckline-widen',
        direction: 'narrower',
      },
      {
        cause: 'long above the bust',
        try: 'shorten the front above, to nothing at the armhole',
        kind: 'front-length',
        direction: 'shorter',
      },
    ],
    look: ['neck-to-bust'],
  },
  {
    id: 'folds-neck-armhole',
    name: 'folds from the side-neck to the armhole',
    view: 'bodice-front',
    strokes: [
      { is: 'fold', run: [22, 8, 14, 26, -2] },
      { is: 'fold', run: [24, 9, 16, 29, -2] },
      { is: 'fold', run: [38, 8, 46, 26, 2] },
    ],
    causes: [
      {
        cause: 'the shoulder slopes more than the draft',
        try: 'lower the shoulder point, or try a pad first',
        kind: 'shoulder-slope',
        direction: 'lower',
      },
      { cause: 'a pad would hold it', try: 'set in a shoulder pad', kind: 'shoulder-pad', direction: 'add' },
    ],
    look: ['shoulder'],
  },
  {
    id: 'strain-shoulder-end',
    name: 'strain at the shoulder end',
    view: 'bodice-front',
    strokes: [
      { is: 'strain', run: [10, 11, 18, 22] },
      { is: 'strain', run: [12, 11, 20, 20] },
      { is: 'strain', run: [50, 11, 42, 22] },
    ],
    causes: [
      {
        cause: 'the shoulder is squarer than the draft',
        try: 'raise the shoulder point',
        kind: 'shoulder-slope',
        direction: 'higher',
      },
    ],
    look: ['shoulder'],
  },
  {
    id: 'shoulder-beyond',
    name: 'the shoulder seam ends beyond the shoulder point',
    view: 'bodice-front',
    strokes: [
      { is: 'level', run: [8, 10, 14, 14] },
      { is: 'level', run: [52, 10, 46, 14] },
    ],
    causes: [
      { cause: 'the shoulder is long', try: 'take in at the armhole', kind: 'shoulders-in', direction: 'in' },
    ],
    look: ['shoulder'],
  },
  {
    id: 'shoulder-inside',
    name: 'the shoulder seam ends before the shoulder point',
    view: 'bodice-front',
    strokes: [
      { is: 'level', run: [14, 12, 18, 10] },
      { is: 'level', run: [46, 12, 42, 10] },
    ],
    causes: [
      {
        cause: 'the shoulder is short',
        try: 'let out at the armhole',
        kind: 'shoulders-in',
        direction: 'out',
      },
    ],
    look: ['shoulder'],
  },
  {
    id: 'shoulder-seam-back',
    name: 'the shoulder seam lies behind the shoulder',
    view: 'bodice-side',
    strokes: [{ is: 'level', run: [26, 10, 38, 14] }],
    causes: [
      {
        cause: 'the back is short above, or the front long',
        try: 'give the back from the front at the shoulder',
        kind: 'back-length',
        direction: 'longer',
      },
    ],
    look: ['neck-to-waist-back'],
  },
  {
    id: 'armhole-cuts',
    name: 'the armhole cuts',
    view: 'bodice-front',
    strokes: [
      { is: 'strain', run: [14, 26, 20, 28] },
      { is: 'strain', run: [46, 26, 40, 28] },
    ],
    causes: [
      {
        cause: 'high or small',
        try: 'lower it half a centimetre at a time',
        kind: 'armhole-lower',
        direction: 'lower',
      },
    ],
    look: ['armhole-depth'],
  },
  {
    id: 'armhole-gapes',
    name: 'the armhole gapes',
    view: 'bodice-front',
    strokes: [
      { is: 'gape', run: [12, 16, 15, 30, 3] },
      { is: 'gape', run: [48, 16, 45, 30, -3] },
    ],
    causes: [
      { cause: 'low or large', try: 'raise it', kind: 'armhole-raise', direction: 'higher' },
      {
        cause: 'more is needed over the bust',
        try: 'let the fullness into the bust dart',
        kind: 'bust-fullness',
        direction: 'more',
      },
    ],
    look: ['armhole-depth'],
  },
  {
    id: 'lifts-with-arm',
    name: 'the body lifts when the arm is raised',
    view: 'bodice-side',
    strokes: [
      { is: 'strain', run: [30, 34, 30, 58] },
      { is: 'strain', run: [34, 34, 36, 58] },
    ],
    causes: [
      {
        cause: 'the armhole is low',
        try: 'raise it at the underarm',
        kind: 'armhole-raise',
        direction: 'higher',
      },
    ],
    look: ['armhole-depth'],
  },
  {
    id: 'cap-strains',
    name: 'the sleeve cap strains across',
    view: 'sleeve',
    strokes: [
      { is: 'strain', run: [20, 20, 40, 20] },
      { is: 'strain', run: [19, 24, 41, 24] },
    ],
    causes: [
      {
        cause: 'the cap is low, or the upper arm narrow',
        try: 'let out the sleeve',
        kind: 'sleeve-width',
        direction: 'out',
      },
      { cause: 'the cap is low', try: 'raise the cap', kind: 'sleeve-cap', direction: 'higher' },
    ],
    look: ['upper-arm'],
  },
  {
    id: 'cap-folds',
    name: 'folds along the sleeve cap',
    view: 'sleeve',
    strokes: [
      { is: 'fold', run: [24, 12, 22, 30, -1] },
      { is: 'fold', run: [36, 12, 38, 30, 1] },
    ],
    causes: [{ cause: 'the cap is high', try: 'lower the cap', kind: 'sleeve-cap', direction: 'lower' }],
    look: ['upper-arm'],
  },
  {
    id: 'sleeve-twists',
    name: 'the sleeve twists',
    view: 'sleeve',
    strokes: [
      { is: 'fold', run: [24, 24, 36, 40, 2] },
      { is: 'fold', run: [24, 40, 36, 56, 2] },
    ],
    causes: [
      {
        cause: 'it hangs otherwise than the arm',
        try: 'turn it in the armhole',
        kind: 'sleeve-turn',
        direction: 'forward',
      },
    ],
    look: [],
  },
  {
    id: 'sleeve-long',
    name: 'the sleeve covers the hand',
    view: 'sleeve',
    strokes: [{ is: 'level', run: [22, 70, 38, 70] }],
    causes: [{ cause: 'long', try: 'shorten it', kind: 'sleeve-length', direction: 'shorter' }],
    look: ['arm-length'],
  },
  {
    id: 'strapless-slides',
    name: 'the strapless bodice slides',
    view: 'strapless',
    strokes: [
      { is: 'level', run: [14, 24, 46, 24] },
      { is: 'fold', run: [18, 40, 42, 40, 2] },
    ],
    causes: [
      {
        cause: 'the waist does not hold it',
        try: 'take in at the waist, or set a waist stay',
        kind: 'waist',
        direction: 'in',
      },
      { cause: 'the upper edge is loose', try: 'take in above', kind: 'princess-above', direction: 'in' },
    ],
    look: ['waist'],
  },
  {
    id: 'edge-cuts',
    name: 'the upper edge cuts in',
    view: 'strapless',
    strokes: [
      { is: 'strain', run: [14, 16, 24, 20] },
      { is: 'strain', run: [46, 16, 36, 20] },
    ],
    causes: [
      {
        cause: 'tight at the edge',
        try: 'let out at the side seams above',
        kind: 'underarm',
        direction: 'out',
      },
      { cause: 'short at the side', try: 'raise the side', kind: 'armhole-raise', direction: 'higher' },
    ],
    look: ['high-bust'],
  },
  {
    id: 'zip-ripples',
    name: 'the zip ripples at the centre back',
    view: 'bodice-back',
    strokes: [
      { is: 'fold', run: [28, 20, 32, 26, 1] },
      { is: 'fold', run: [28, 30, 32, 36, 1] },
      { is: 'fold', run: [28, 40, 32, 46, 1] },
    ],
    causes: [
      {
        cause: 'a straight seam on a hollow back',
        try: 'shape the centre back seam in at the waist',
        kind: 'centre-back',
        direction: 'in',
      },
      { cause: 'the cloth was fed unevenly', try: 'set the zip anew', kind: 'zip', direction: 'replace' },
    ],
    look: ['neck-to-waist-back'],
  },
  {
    id: 'trousers-smiles',
    name: 'lines like smiles under the seat or at the fork',
    view: 'trousers-back',
    strokes: [
      { is: 'strain', run: [20, 34, 30, 30, -3] },
      { is: 'strain', run: [40, 34, 30, 30, 3] },
    ],
    causes: [
      {
        cause: 'the back fork is short',
        try: 'lengthen the rise at the back',
        kind: 'trouser-rise',
        direction: 'longer',
        face: 'back',
      },
      { cause: 'tight at the thigh', try: 'let out the inside leg', kind: 'inseam', direction: 'out' },
    ],
    look: ['rise'],
  },
  {
    id: 'trousers-folds-seat',
    name: 'folds under the seat',
    view: 'trousers-back',
    strokes: [
      { is: 'fold', run: [18, 36, 28, 38, 2] },
      { is: 'fold', run: [42, 36, 32, 38, -2] },
      { is: 'fold', run: [18, 41, 28, 43, 2] },
    ],
    causes: [
      {
        cause: 'the back fork is long',
        try: 'shorten the rise at the back',
        kind: 'trouser-rise',
        direction: 'shorter',
        face: 'back',
      },
      {
        cause: 'wide at the inside leg',
        try: 'take in the inside leg at the back',
        kind: 'inseam',
        direction: 'in',
      },
    ],
    look: ['rise'],
  },
  {
    id: 'trousers-front-strain',
    name: 'strain at the front of the fork',
    view: 'trousers-front',
    strokes: [
      { is: 'strain', run: [30, 30, 20, 36] },
      { is: 'strain', run: [30, 30, 40, 36] },
    ],
    causes: [
      {
        cause: 'the front fork is short',
        try: 'lengthen the rise at the front',
        kind: 'trouser-rise',
        direction: 'longer',
        face: 'front',
      },
    ],
    look: ['rise'],
  },
  {
    id: 'hem-bias',
    name: 'the hem is uneven on the bias',
    view: 'skirt-front',
    strokes: [
      { is: 'level', run: [12, 74, 30, 79] },
      { is: 'level', run: [30, 79, 48, 73] },
    ],
    causes: [
      {
        cause: 'the cloth is still dropping',
        try: 'let it hang one to three days, then level from the floor',
        kind: 'hem-levelled',
        direction: 'up',
      },
    ],
    look: [],
  },
  {
    id: 'hem-long',
    name: 'the hem is long all round',
    view: 'skirt-front',
    strokes: [{ is: 'level', run: [10, 72, 50, 72] }],
    causes: [{ cause: 'long', try: 'take it up', kind: 'hem-straight', direction: 'up' }],
    look: ['hem-front'],
  },
  {
    id: 'hem-short',
    name: 'the hem is short all round',
    view: 'skirt-front',
    strokes: [{ is: 'level', run: [10, 78, 50, 78] }],
    causes: [
      {
        cause: 'short',
        try: 'let it down, as far as the hem allows',
        kind: 'hem-straight',
        direction: 'down',
      },
    ],
    look: ['hem-front'],
  },
  {
    id: 'seam-twists',
    name: 'a seam twists round the leg or body',
    view: 'skirt-front',
    strokes: [{ is: 'fold', run: [40, 20, 30, 74, -4] }],
    causes: [
      {
        cause: 'off grain, or fed unevenly',
        try: 're-press first; cut anew if it stays, and note the cloth',
        kind: null,
        direction: '',
      },
    ],
    look: [],
  },
  {
    id: 'lining-shows',
    name: 'the lining shows or pulls',
    view: 'skirt-front',
    strokes: [
      { is: 'level', run: [13, 77, 47, 77] },
      { is: 'strain', run: [20, 60, 40, 60] },
    ],
    causes: [
      {
        cause: 'the lining is long',
        try: 'turn the lining hem up again',
        kind: 'lining-hem',
        direction: 'up',
      },
      {
        cause: 'the lining was forgotten in an alteration',
        try: 'alter the lining as the outer was',
        kind: 'lining',
        direction: 'replace',
      },
    ],
    look: [],
  },
  {
    id: 'strap-slips',
    name: 'a strap slips',
    view: 'strapless',
    strokes: [
      { is: 'level', run: [20, 4, 20, 14] },
      { is: 'level', run: [40, 4, 40, 14] },
    ],
    causes: [{ cause: 'long', try: 'shorten it', kind: 'strap-length', direction: 'shorter' }],
    look: [],
  },
  {
    id: 'waist-rolls',
    name: 'the waist folds over or rides up',
    view: 'skirt-front',
    strokes: [
      { is: 'fold', run: [20, 7, 40, 7, 3] },
      { is: 'strain', run: [20, 12, 40, 12] },
    ],
    causes: [
      { cause: 'tight below the waist', try: 'let out at the hip', kind: 'hip-curve', direction: 'out' },
      { cause: 'the elastic is long', try: 'shorten the elastic', kind: 'waist-elastic', direction: 'in' },
    ],
    look: ['waist'],
  },
];

/** The sign of this id; undefined when the house has none. */
export const findSign = (id: string): Sign | undefined => SIGNS.find((s) => s.id === id);
