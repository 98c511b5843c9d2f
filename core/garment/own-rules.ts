import type { Panel } from '../draft/panel.ts';
import { pass, type RawCheck, warn } from '../figure/check.ts';
import type { Figure } from '../figure/figure.ts';
import { type Cm, cm } from '../units/length.ts';
import { say as p } from '../units/print.ts';
import type { Brief, HouseRules } from './input.ts';
import type { OwnRules } from './own.ts';
import { ALLOWANCE_NAME, type AllowanceId, type Allowances } from './tables/allowances.ts';
import { EASE_ZONES, type EaseZone } from './tables/fit.ts';

/** Ease that lies in a length, not round the body: “every girth” leaves it. */
const LENGTHS: readonly EaseZone[] = ['armhole-depth', 'neck-to-waist', 'rise'];
export const GIRTH_EASE: readonly EaseZone[] = EASE_ZONES.filter((z) => !LENGTHS.includes(z));
/** What a hand turns up: a lining's hem is a double roll as it is. */
const HEMS: readonly AllowanceId[] = ['hem', 'flaredHem', 'sleeveHem'];
/** What a facing can take the place of turning; a sleeve’s end keeps its own. */
const FACED: readonly AllowanceId[] = ['hem', 'flaredHem'];
/** What it takes to sew in a zip, cm (common practice, no source). */
const ZIP_NEEDS = cm(1.3);
/** Seams that hold the garment together, where what the cloth or letting out wants has to lie. */
const LONG_SEAMS: readonly AllowanceId[] = ['side', 'centre', 'shoulder'];

/** The order's own ease of a place with its reason; null where the fit says it. */
export function ownEase(
  own: OwnRules | undefined,
  zone: EaseZone,
): { readonly ease: Cm; readonly because: string } | null {
  const ease = own?.ease[zone] ?? (GIRTH_EASE.includes(zone) ? own?.girths : null) ?? null;
  return ease === null
    ? null
    : {
        ease,
        because: `This order’s own ease${own?.ease[zone] === undefined ? '' : ` at the ${at(zone)}`}: ${own!.why}.`,
      };
}

/** The house with what this order wants of its own laid over it; as it is where it wants nothing. */
export function withOwn(house: HouseRules, own: OwnRules | undefined): HouseRules {
  if (!own) return house;
  const zones = EASE_ZONES.flatMap((z) => {
    const e = ownEase(own, z);
    return e ? [[z, e] as const] : [];
  });
  return zones.length === 0 ? house : { ...house, ease: { ...house.ease, own: Object.fromEntries(zones) } };
}

/** The order's own allowances over what the garment would have. */
export function ownAllowances(usual: Allowances, own: OwnRules | undefined): Allowances {
  if (!own) return usual;
  const ids = Object.keys(usual) as AllowanceId[];
  return Object.fromEntries(
    ids.map((id) => {
      const by = own.allowances[id] ?? (own.hemFaced && FACED.includes(id) ? usual.facing : usual[id]);
      return [id, own.none ? cm(0) : own.hemTwice && HEMS.includes(id) ? cm(2 * by) : by];
    }),
  ) as unknown as Allowances;
}

/** An allowance's name as the sheet lists it: whose it is, where it is the order's own. */
export function allowanceName(name: string, id: AllowanceId, own: OwnRules | undefined): string {
  if (!own) return name;
  const how =
    own.hemFaced && FACED.includes(id)
      ? ', faced'
      : own.hemTwice && !own.none && HEMS.includes(id)
        ? ', turned twice'
        : '';
  return own.none || own.allowances[id] !== undefined || how ? `${name}${how} (this order’s own)` : name;
}

/** The reason for the garment’s own ease, and where it moves nothing. */
function easeChecks(own: OwnRules, figures: readonly Figure[]): RawCheck[] {
  const [every, single] = [own.girths !== null, Object.keys(own.ease) as EaseZone[]];
  if (!every && single.length === 0) return [];
  const used = new Set(figures.flatMap((f) => f.terms.map((t) => t.because)));
  const idle = single.filter((z) => !used.has(ownEase(own, z)!.because)).map((z) => `at the ${at(z)}`);
  if (every && !used.has(`This order’s own ease: ${own.why}.`)) idle.push('of every girth');
  return [
    pass('own-ease', null, `The ease is this order’s own, not its fit’s: ${own.why}.`),
    ...idle.map((where) =>
      warn(
        `own-ease-idle-${where.replaceAll(' ', '-')}`,
        null,
        `This order’s own ease ${where} moves nothing: the garment has no figure with that ease.`,
      ),
    ),
  ];
}
const at = (zone: EaseZone) => zone.replaceAll('-', ' ');

/** What its finish needs and an allowance of the order's own does not give. */
export function ownChecks(
  { own, cloth, letOut }: Brief,
  zipped: boolean,
  figures: readonly Figure[],
  panels: readonly Panel[],
): RawCheck[] {
  if (!own) return [];
  const because = easeChecks(own, figures);
  // A casing is part of the shape: its depth is no allowance.
  const turns = [
    ...new Set(
      panels.flatMap((q) => q.edges.filter((e) => e.allowance > 0).map((e) => `${e.name} of the ${q.name}`)),
    ),
  ];
  if (own.none)
    return [
      ...because,
      pass(
        'no-allowances',
        null,
        `No allowances: every line is a sewing line; give each edge its own when it is cut.${turns.length > 0 ? ` What is turned down with the shape keeps its depth: ${turns.join(', ')}.` : ''}`,
      ),
      ...(letOut
        ? [
            warn(
              'own-let-out',
              null,
              'Room to let out was asked for, and this order has no allowances: nothing can be let out.',
            ),
          ]
        : []),
    ];
  const short = (ids: readonly AllowanceId[], least: number) =>
    ids.filter((id) => own.allowances[id] !== undefined && own.allowances[id]! < least - 1e-9);
  const told = (code: string, ids: readonly AllowanceId[], least: Cm, what: string) =>
    short(ids, least).map((id) =>
      warn(
        `${code}-${id}`,
        null,
        `Allowance of the ${ALLOWANCE_NAME[id]}: ${p(own.allowances[id]!)}. ${what} ${p(least)}.`,
      ),
    );
  return [
    ...because,
    ...(zipped ? told('own-zip', ['zip'], ZIP_NEEDS, 'A zip is sewn into at least') : []),
    ...(cloth.sheer && !letOut
      ? told('own-french', LONG_SEAMS, cm(1), 'This sheer cloth is sewn in French seams, which take')
      : []),
    ...(cloth.frays && !cloth.sheer
      ? told('own-overcast', LONG_SEAMS, cm(1), 'This cloth frays: overcast edges need at least')
      : []),
    ...(letOut ? told('own-let-out', ['side'], cm(3), 'Room to let out was asked for, which takes') : []),
  ];
}
