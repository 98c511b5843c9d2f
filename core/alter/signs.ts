import type { Cause, Sign, SignStroke, SignView } from './sign.ts';

/** One stroke for each "fold 19 46 41 46 2": what it is, from, to, and how far it bends. */
const strokesOf = (drawn: string): SignStroke[] =>
  drawn.split('; ').map((stroke) => {
    const [is, ...run] = stroke.split(' ');
    return { is: is as SignStroke['is'], run: run.map(Number) as unknown as SignStroke['run'] };
  });

/** A cause, what is tried first for it, and "kind direction face" of the alteration it prepares; '' for none. */
const because = (cause: string, what: string, prepares: string): Cause => {
  const [kind = '', direction = '', face] = prepares.split(' ');
  const at = face === 'front' || face === 'back' ? { face } : {};
  return { cause, try: what, kind: kind || null, direction, ...at } as Cause;
};

const sign = (
  id: string,
  name: string,
  view: SignView,
  drawn: string,
  causes: readonly Cause[],
  look: readonly string[],
): Sign => ({ id, name, view, strokes: strokesOf(drawn), causes, look });

/**
 * Signs that are seen on the cloth, with their likely causes in order and what is tried first. Collected from the
 * house’s handbook and common practice (no source); the words are about the cloth, never the body.
 */
export const SIGNS: readonly Sign[] = [
  sign(
    'back-cross-folds',
    'cross folds at the back above the waist',
    'bodice-back',
    'fold 19 46 41 46 2; fold 19 51 41 51 2; fold 18 56 42 56 2',
    [
      because(
        'the back is long for this stance',
        'tuck at the centre back, to nothing at the side seams',
        'back-length shorter',
      ),
      because(
        'the waist is tight and the cloth rides up',
        'let out at the side seams, then look again',
        'side-seams out',
      ),
    ],
    ['neck-to-waist-back'],
  ),
  sign(
    'waist-high-back',
    'waist or hem higher at the back',
    'skirt-side',
    'level 18 22 42 14',
    [
      because(
        'the back is short for this stance',
        'let the back down from the waist seam',
        'back-length longer',
      ),
      because('the skirt catches at the back', 'let out at the side seams', 'side-seams out'),
    ],
    ['neck-to-waist-back'],
  ),
  sign(
    'waist-high-front',
    'waist or hem higher at the front',
    'skirt-side',
    'level 18 14 42 22',
    [
      because('the front is short', 'lengthen the front', 'front-length longer'),
      because('more is needed over the bust', 'add over the apex', 'bust-fullness more'),
    ],
    ['neck-to-waist-front'],
  ),
  sign(
    'gapes-above-bust',
    'the upper edge or princess seam gapes above the bust',
    'bodice-front',
    'gape 20 12 22 30 3; gape 40 12 38 30 -3',
    [
      because('too much above the apex', 'take in above, to nothing at the apex', 'princess-above in'),
      because(
        'the neckline is wide for the chest',
        'take in at the shoulder end of the neckline',
        'neckline-widen narrower',
      ),
    ],
    ['across-front'],
  ),
  sign(
    'strain-apex',
    'strain from the apex to side or shoulder',
    'bodice-front',
    'strain 24 34 16 30; strain 24 34 14 24; strain 36 34 44 30; strain 36 34 46 24',
    [
      because('too little over the bust, in width and length', 'add over the apex', 'bust-fullness more'),
      because('the side seam is tight at the bust', 'let out under the arm', 'underarm out'),
    ],
    ['bust', 'neck-to-waist-front'],
  ),
  sign(
    'folds-under-bust',
    'folds under the bust',
    'bodice-front',
    'fold 20 42 30 46 1; fold 40 42 30 46 -1; fold 20 47 40 47 2',
    [
      because('too much length or fullness there', 'take from the bust fullness', 'bust-fullness less'),
      because('the dart or princess point sits high', 'move the bust level down', 'bust-level lower'),
    ],
    ['neck-to-bust'],
  ),
  sign(
    'bust-high',
    'the shape of the bust sits lower than the apex',
    'bodice-front',
    'fold 22 40 28 36 -1; fold 38 40 32 36 1',
    [because('the bust level is low', 'move darts or princess point up', 'bust-level higher')],
    ['neck-to-bust'],
  ),
  sign(
    'bust-low',
    'the shape of the bust sits higher than the apex',
    'bodice-front',
    'fold 22 26 28 30 1; fold 38 26 32 30 -1',
    [because('the bust level is high', 'move darts or princess point down', 'bust-level lower')],
    ['neck-to-bust'],
  ),
  sign(
    'vertical-folds-front',
    'vertical folds at the front',
    'bodice-front',
    'fold 22 20 22 58 -2; fold 38 20 38 58 2',
    [
      because(
        'the front is wide',
        'take in at the seam nearest the fold, half each side',
        'side-seams in front',
      ),
      because('the shoulders are wide', 'take in at the armhole', 'shoulders-in in'),
    ],
    ['bust'],
  ),
  sign(
    'vertical-folds-back',
    'vertical folds at the back',
    'bodice-back',
    'fold 24 18 24 58 -2; fold 36 18 36 58 2',
    [
      because('the back is wide', 'take in at the centre back', 'centre-back in'),
      because('the darts could hold more', 'let the back darts take more', 'back-darts in'),
    ],
    ['across-back'],
  ),
  sign(
    'cross-strain-hip',
    'cross strain at the hip, the skirt rides up',
    'skirt-front',
    'strain 14 30 46 30; strain 13 35 47 35; strain 13 40 47 40',
    [
      because('narrow at the hip', 'let out at the side seams', 'side-seams out'),
      because(
        'the hip level lies higher than drafted',
        'blend the side seam out at the hip',
        'hip-curve out',
      ),
    ],
    ['hip', 'waist-to-hip'],
  ),
  sign(
    'cross-strain-waist',
    'cross strain at the waist',
    'skirt-front',
    'strain 20 9 40 9; strain 19 13 41 13',
    [because('narrow at the waist', 'let out at the waist', 'waist out')],
    ['waist'],
  ),
  sign(
    'cross-strain-tummy',
    'strain below the waist at the front',
    'skirt-front',
    'strain 18 18 42 18; strain 17 23 43 23',
    [
      because('needs room at the front', 'give the front more of the side seam', 'side-seams out front'),
      because('front darts hold too much', 'let some of the front darts out', 'front-darts out'),
    ],
    ['high-hip'],
  ),
  sign(
    'vertical-folds-skirt',
    'vertical folds in the skirt',
    'skirt-front',
    'fold 20 30 18 72 -1; fold 40 30 42 72 1',
    [because('wide', 'take in at the side seams', 'side-seams in')],
    ['hip'],
  ),
  sign(
    'hip-point',
    'a point stands out at the side of the hip',
    'skirt-front',
    'fold 47 26 51 33 3; fold 13 26 9 33 -3',
    [because('the hip curve is fuller than this hip', 'blend the side seam in at the hip', 'hip-curve in')],
    ['hip'],
  ),
  sign(
    'side-forward',
    'the side seam swings forward',
    'skirt-side',
    'level 30 8 38 74',
    [
      because('the front is small, or the back large', 'give the front from the back', 'side-swing back'),
      because('the hem is low at the back', 'raise the waist seam at the back', 'back-length shorter'),
    ],
    ['hip'],
  ),
  sign(
    'side-back',
    'the side seam swings back',
    'skirt-side',
    'level 30 8 22 74',
    [because('the back is small, or the front large', 'give the back from the front', 'side-swing forward')],
    ['hip'],
  ),
  sign(
    'stands-out-front',
    'the skirt stands out at the front, the hem dips at the back',
    'skirt-side',
    'level 14 66 46 76; fold 16 40 12 66 -1',
    [
      because(
        'the waist seam sits low at the back',
        'raise the skirt at the back waist',
        'back-length shorter',
      ),
      because('the front is short', 'lengthen the front', 'front-length longer'),
    ],
    ['neck-to-waist-front'],
  ),
  sign(
    'stands-out-back',
    'the skirt stands out at the back, the hem dips at the front',
    'skirt-side',
    'level 14 76 46 66; fold 44 40 48 66 1',
    [
      because(
        'the waist seam sits low at the front',
        'raise the skirt at the front waist',
        'front-length shorter',
      ),
    ],
    ['neck-to-waist-back'],
  ),
  sign(
    'neck-strains',
    'the neckline strains or rides up',
    'bodice-front',
    'strain 22 8 26 16; strain 38 8 34 16; strain 26 14 34 14',
    [
      because('the neckline is high', 'lower it a little, front and back together', 'neckline-lower lower'),
      because('the neckline is narrow', 'widen it at the shoulder', 'neckline-widen wider'),
    ],
    ['neck-base'],
  ),
  sign(
    'neck-stands-away',
    'the neckline stands away at the back',
    'bodice-back',
    'gape 22 6 38 6 -4',
    [
      because('the back neck is long or wide', 'take in at the centre back above', 'centre-back in'),
      because('the shoulder slopes more than the draft', 'lower the shoulder point', 'shoulder-slope lower'),
    ],
    ['neck-base'],
  ),
  sign(
    'neck-gapes-front',
    'the neckline gapes at the front',
    'bodice-front',
    'gape 23 9 37 9 6',
    [
      because('wide at the neck', 'take in at the shoulder end of the neckline', 'neckline-widen narrower'),
      because(
        'long above the bust',
        'shorten the front above, to nothing at the armhole',
        'front-length shorter',
      ),
    ],
    ['neck-to-bust'],
  ),
  sign(
    'folds-neck-armhole',
    'folds from the side-neck to the armhole',
    'bodice-front',
    'fold 22 8 14 26 -2; fold 24 9 16 29 -2; fold 38 8 46 26 2',
    [
      because(
        'the shoulder slopes more than the draft',
        'lower the shoulder point, or try a pad first',
        'shoulder-slope lower',
      ),
      because('a pad would hold it', 'set in a shoulder pad', 'shoulder-pad add'),
    ],
    ['shoulder'],
  ),
  sign(
    'strain-shoulder-end',
    'strain at the shoulder end',
    'bodice-front',
    'strain 10 11 18 22; strain 12 11 20 20; strain 50 11 42 22',
    [because('the shoulder is squarer than the draft', 'raise the shoulder point', 'shoulder-slope higher')],
    ['shoulder'],
  ),
  sign(
    'shoulder-beyond',
    'the shoulder seam ends beyond the shoulder point',
    'bodice-front',
    'level 8 10 14 14; level 52 10 46 14',
    [because('the shoulder is long', 'take in at the armhole', 'shoulders-in in')],
    ['shoulder'],
  ),
  sign(
    'shoulder-inside',
    'the shoulder seam ends before the shoulder point',
    'bodice-front',
    'level 14 12 18 10; level 46 12 42 10',
    [because('the shoulder is short', 'let out at the armhole', 'shoulders-in out')],
    ['shoulder'],
  ),
  sign(
    'shoulder-seam-back',
    'the shoulder seam lies behind the shoulder',
    'bodice-side',
    'level 26 10 38 14',
    [
      because(
        'the back is short above, or the front long',
        'give the back from the front at the shoulder',
        'back-length longer',
      ),
    ],
    ['neck-to-waist-back'],
  ),
  sign(
    'armhole-cuts',
    'the armhole cuts',
    'bodice-front',
    'strain 14 26 20 28; strain 46 26 40 28',
    [because('high or small', 'lower it half a centimetre at a time', 'armhole-lower lower')],
    ['armhole-depth'],
  ),
  sign(
    'armhole-gapes',
    'the armhole gapes',
    'bodice-front',
    'gape 12 16 15 30 3; gape 48 16 45 30 -3',
    [
      because('low or large', 'raise it', 'armhole-raise higher'),
      because('more is needed over the bust', 'let the fullness into the bust dart', 'bust-fullness more'),
    ],
    ['armhole-depth'],
  ),
  sign(
    'lifts-with-arm',
    'the body lifts when the arm is raised',
    'bodice-side',
    'strain 30 34 30 58; strain 34 34 36 58',
    [because('the armhole is low', 'raise it at the underarm', 'armhole-raise higher')],
    ['armhole-depth'],
  ),
  sign(
    'cap-strains',
    'the sleeve cap strains across',
    'sleeve',
    'strain 20 20 40 20; strain 19 24 41 24',
    [
      because('the cap is low, or the upper arm narrow', 'let out the sleeve', 'sleeve-width out'),
      because('the cap is low', 'raise the cap', 'sleeve-cap higher'),
    ],
    ['upper-arm'],
  ),
  sign(
    'cap-folds',
    'folds along the sleeve cap',
    'sleeve',
    'fold 24 12 22 30 -1; fold 36 12 38 30 1',
    [because('the cap is high', 'lower the cap', 'sleeve-cap lower')],
    ['upper-arm'],
  ),
  sign(
    'sleeve-twists',
    'the sleeve twists',
    'sleeve',
    'fold 24 24 36 40 2; fold 24 40 36 56 2',
    [because('it hangs otherwise than the arm', 'turn it in the armhole', 'sleeve-turn forward')],
    [],
  ),
  sign(
    'sleeve-long',
    'the sleeve covers the hand',
    'sleeve',
    'level 22 70 38 70',
    [because('long', 'shorten it', 'sleeve-length shorter')],
    ['arm-length'],
  ),
  sign(
    'strapless-slides',
    'the strapless bodice slides',
    'strapless',
    'level 14 24 46 24; fold 18 40 42 40 2',
    [
      because('the waist does not hold it', 'take in at the waist, or set a waist stay', 'waist in'),
      because('the upper edge is loose', 'take in above', 'princess-above in'),
    ],
    ['waist'],
  ),
  sign(
    'edge-cuts',
    'the upper edge cuts in',
    'strapless',
    'strain 14 16 24 20; strain 46 16 36 20',
    [
      because('tight at the edge', 'let out at the side seams above', 'underarm out'),
      because('short at the side', 'raise the side', 'armhole-raise higher'),
    ],
    ['high-bust'],
  ),
  sign(
    'zip-ripples',
    'the zip ripples at the centre back',
    'bodice-back',
    'fold 28 20 32 26 1; fold 28 30 32 36 1; fold 28 40 32 46 1',
    [
      because(
        'a straight seam on a hollow back',
        'shape the centre back seam in at the waist',
        'centre-back in',
      ),
      because('the cloth was fed unevenly', 'set the zip anew', 'zip replace'),
    ],
    ['neck-to-waist-back'],
  ),
  sign(
    'trousers-smiles',
    'lines like smiles under the seat or at the fork',
    'trousers-back',
    'strain 20 34 30 30 -3; strain 40 34 30 30 3',
    [
      because('the back fork is short', 'lengthen the rise at the back', 'trouser-rise longer back'),
      because('tight at the thigh', 'let out the inside leg', 'inseam out'),
    ],
    ['rise'],
  ),
  sign(
    'trousers-folds-seat',
    'folds under the seat',
    'trousers-back',
    'fold 18 36 28 38 2; fold 42 36 32 38 -2; fold 18 41 28 43 2',
    [
      because('the back fork is long', 'shorten the rise at the back', 'trouser-rise shorter back'),
      because('wide at the inside leg', 'take in the inside leg at the back', 'inseam in'),
    ],
    ['rise'],
  ),
  sign(
    'trousers-front-strain',
    'strain at the front of the fork',
    'trousers-front',
    'strain 30 30 20 36; strain 30 30 40 36',
    [because('the front fork is short', 'lengthen the rise at the front', 'trouser-rise longer front')],
    ['rise'],
  ),
  sign(
    'hem-bias',
    'the hem is uneven on the bias',
    'skirt-front',
    'level 12 74 30 79; level 30 79 48 73',
    [
      because(
        'the cloth is still dropping',
        'let it hang one to three days, then level from the floor',
        'hem-levelled up',
      ),
    ],
    [],
  ),
  sign(
    'hem-long',
    'the hem is long all round',
    'skirt-front',
    'level 10 72 50 72',
    [because('long', 'take it up', 'hem-straight up')],
    ['hem-front'],
  ),
  sign(
    'hem-short',
    'the hem is short all round',
    'skirt-front',
    'level 10 78 50 78',
    [because('short', 'let it down, as far as the hem allows', 'hem-straight down')],
    ['hem-front'],
  ),
  sign(
    'seam-twists',
    'a seam twists round the leg or body',
    'skirt-front',
    'fold 40 20 30 74 -4',
    [because('off grain, or fed unevenly', 're-press first; cut anew if it stays, and note the cloth', '')],
    [],
  ),
  sign(
    'lining-shows',
    'the lining shows or pulls',
    'skirt-front',
    'level 13 77 47 77; strain 20 60 40 60',
    [
      because('the lining is long', 'turn the lining hem up again', 'lining-hem up'),
      because(
        'the lining was forgotten in an alteration',
        'alter the lining as the outer was',
        'lining replace',
      ),
    ],
    [],
  ),
  sign(
    'strap-slips',
    'a strap slips',
    'strapless',
    'level 20 4 20 14; level 40 4 40 14',
    [because('long', 'shorten it', 'strap-length shorter')],
    [],
  ),
  sign(
    'waist-rolls',
    'the waist folds over or rides up',
    'skirt-front',
    'fold 20 7 40 7 3; strain 20 12 40 12',
    [
      because('tight below the waist', 'let out at the hip', 'hip-curve out'),
      because('the elastic is long', 'shorten the elastic', 'waist-elastic in'),
    ],
    ['waist'],
  ),
];

/** The sign of this id; undefined when the house has none. */
export const findSign = (id: string): Sign | undefined => SIGNS.find((s) => s.id === id);
