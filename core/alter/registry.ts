import type { AlterationKind } from './kind.ts';
import { armholeLower } from './kinds/armhole-lower.ts';
import { armholeRaise } from './kinds/armhole-raise.ts';
import { backDarts } from './kinds/back-darts.ts';
import { backLength } from './kinds/back-length.ts';
import { bodyLength } from './kinds/body-length.ts';
import { bustFullness } from './kinds/bust-fullness.ts';
import { bustLevel } from './kinds/bust-level.ts';
import { centreBack } from './kinds/centre-back.ts';
import { collarDepth } from './kinds/collar-depth.ts';
import { cuffAround } from './kinds/cuff-around.ts';
import { dartNew } from './kinds/dart-new.ts';
import { dartPlace } from './kinds/dart-place.ts';
import { frontDarts } from './kinds/front-darts.ts';
import { frontLength } from './kinds/front-length.ts';
import { goreSeams } from './kinds/gore-seams.ts';
import { hemFlared } from './kinds/hem-flared.ts';
import { hemFullness } from './kinds/hem-fullness.ts';
import { hemLevelled } from './kinds/hem-levelled.ts';
import { hemStraight } from './kinds/hem-straight.ts';
import { hemUneven } from './kinds/hem-uneven.ts';
import { hipCurve } from './kinds/hip-curve.ts';
import { inseam } from './kinds/inseam.ts';
import { lacing } from './kinds/lacing.ts';
import { legOpening } from './kinds/leg-opening.ts';
import { legWidth } from './kinds/leg-width.ts';
import { lining } from './kinds/lining.ts';
import { liningHem } from './kinds/lining-hem.ts';
import { necklineLower } from './kinds/neckline-lower.ts';
import { necklineRaise } from './kinds/neckline-raise.ts';
import { necklineWiden } from './kinds/neckline-widen.ts';
import { other } from './kinds/other.ts';
import { partSwapped } from './kinds/part-swapped.ts';
import { pocket } from './kinds/pocket.ts';
import { press } from './kinds/press.ts';
import { princessAbove } from './kinds/princess-above.ts';
import { princessBelow } from './kinds/princess-below.ts';
import { shoulderPad } from './kinds/shoulder-pad.ts';
import { shoulderSlope } from './kinds/shoulder-slope.ts';
import { shouldersIn } from './kinds/shoulders-in.ts';
import { sideSeams } from './kinds/side-seams.ts';
import { sideSwing } from './kinds/side-swing.ts';
import { sleeveCap } from './kinds/sleeve-cap.ts';
import { sleeveLength } from './kinds/sleeve-length.ts';
import { sleeveTurn } from './kinds/sleeve-turn.ts';
import { sleeveWidth } from './kinds/sleeve-width.ts';
import { strapLength } from './kinds/strap-length.ts';
import { trim } from './kinds/trim.ts';
import { trouserRise } from './kinds/trouser-rise.ts';
import { underarm } from './kinds/underarm.ts';
import { waist } from './kinds/waist.ts';
import { waistElastic } from './kinds/waist-elastic.ts';
import { zip } from './kinds/zip.ts';

/** Every kind of alteration, in the order it is offered. Adding one is adding a file and its line here. */
export const ALTERATION_KINDS: readonly AlterationKind[] = [
  hemStraight,
  hemFlared,
  hemLevelled,
  hemUneven,
  liningHem,
  sideSeams,
  goreSeams,
  sideSwing,
  underarm,
  shouldersIn,
  shoulderSlope,
  shoulderPad,
  backLength,
  frontLength,
  bodyLength,
  backDarts,
  frontDarts,
  dartPlace,
  dartNew,
  princessAbove,
  princessBelow,
  waist,
  centreBack,
  waistElastic,
  bustFullness,
  bustLevel,
  hipCurve,
  hemFullness,
  necklineLower,
  necklineRaise,
  necklineWiden,
  collarDepth,
  armholeLower,
  armholeRaise,
  sleeveLength,
  sleeveWidth,
  sleeveCap,
  sleeveTurn,
  cuffAround,
  strapLength,
  zip,
  lacing,
  trouserRise,
  inseam,
  legWidth,
  legOpening,
  pocket,
  trim,
  lining,
  partSwapped,
  press,
  other,
];
const BY_ID = new Map(ALTERATION_KINDS.map((k) => [k.id, k]));

/** The kind of this id; undefined when the house has none. */
export const findKind = (id: string): AlterationKind | undefined => BY_ID.get(id);
