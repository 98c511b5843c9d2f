import {
  type HouseRulesWire,
  HouseWire,
  type SessionFull,
  type Settings,
  type SpecFile,
} from '@rocchetto/contract';
import { dayIn, type Schools, standing, USUAL_SCHOOLS } from '@rocchetto/core';
import { HttpError } from '../http/problem.ts';
import type { SheetGround } from './sheets.ts';
import { TEXTS } from './texts.ts';

/** The rules that a sheet goes by, by name: what else the house sets is not the sheet’s, and stays out of it. */
const OF_A_SHEET = Object.keys(HouseWire.shape) as readonly (keyof HouseWire)[];

/** Of the house’s rules those that a sheet goes by. */
export const rulesOfASheet = (rules: HouseRulesWire): HouseWire =>
  Object.fromEntries(OF_A_SHEET.flatMap((k) => (rules[k] === undefined ? [] : [[k, rules[k]]])));

/**
 * The order as a spec file: its brief, its session's readings as read, the house's rules and the fitter's decisions.
 * Days are the studio's. @throws HttpError 409 without a brief of a garment that has a sheet
 */
export function specOfOrder(ground: SheetGround, settings: Settings, today: string): SpecFile {
  const { order, house, session } = ground;
  const { brief } = order;
  const rules = rulesOfASheet(house.rules);
  if (!brief || brief.parts.length === 0) throw new HttpError(409, 'no-brief', TEXTS.noBrief);
  return {
    format: 'rocchetto-spec',
    version: 2,
    order: {
      studio: house.studio,
      number: order.number,
      client: order.clientName,
      what: order.what,
      occasion: order.occasion,
      wornOn: order.wornOn ?? '',
      dueOn: order.dueOn ?? '',
      responsible: order.responsible ?? '',
    },
    garment: brief,
    session: {
      date: session ? dayIn(house.timeZone, readSince(session)) : '',
      measurer: session?.measurer ?? '',
      scribe: session?.details.scribe ?? '',
      beneath: session?.details.beneath ?? '',
      heel: session?.details.heel ?? null,
      waistRule: session?.details.waistRule ?? '',
      hipRule: session?.details.hipRule ?? '',
      ...waysOf(session?.details.schools),
      changed: session?.details.changed ?? '',
    },
    readings: session ? readingsOf(session) : [],
    house: { ...rules, ...settings.house },
    overrides: settings.overrides.map(({ id: _, ...o }) => o),
    accepted: [...settings.accepted],
    changes: settings.changes.flatMap(({ to, asked, by, at }) => (to === 'sheet' ? [{ asked, by, at }] : [])),
    ...laidIn(ground),
    asOf: today,
    timeZone: house.timeZone,
    ...(house.dateOrder === 'mdy' ? { dateOrder: house.dateOrder } : {}),
  };
}

/** The lays that are kept, as a spec has them. */
export const laidIn = ({ laid }: Pick<SheetGround, 'laid'>): Pick<SpecFile, 'laid'> =>
  laid
    ? {
        laid: laid.map(({ takes, width, ...l }) => ({
          ...l,
          length: `${Math.round(takes * 100) / 100} cm`,
          width: `${Math.round(width * 100) / 100} cm`,
        })),
      }
    : {};

/** When the oldest of its figures was read: what was carried over is as old as it was. */
const readSince = ({ at, readings }: SessionFull): string =>
  readings.reduce(
    (oldest, r) => (r.source !== 'taken here' && Date.parse(r.at) < Date.parse(oldest) ? r.at : oldest),
    at,
  );

/** The ways of measuring that a sheet reckons with, where they are not the usual ones. */
const waysOf = (schools?: Schools): Partial<Pick<SpecFile['session'], 'neckDepth' | 'sleeveGirth'>> => ({
  ...(schools && schools.neckDepth !== USUAL_SCHOOLS.neckDepth ? { neckDepth: schools.neckDepth } : {}),
  ...(schools && schools.sleeveGirth !== USUAL_SCHOOLS.sleeveGirth
    ? { sleeveGirth: schools.sleeveGirth }
    : {}),
});

/** Readings that still stand, each with its unit, as the file writes them. */
function readingsOf(session: SessionFull): SpecFile['readings'] {
  return standing(session.readings).map((r) => ({
    measure: r.measure,
    value: r.written ? `${r.written.text} ${r.written.unit}` : '',
    state: r.state,
    way: r.way,
    tape: r.tape,
    source: r.source,
    by: r.by,
    at: r.at,
    reason: r.reason,
    note: r.note,
  }));
}
