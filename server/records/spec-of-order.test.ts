import { type HouseRulesWire, HouseWire, KeptSpec, NO_SETTINGS } from '@rocchetto/contract';
import { expect, it } from 'vitest';
import type { SheetGround } from './sheets.ts';
import { specOfOrder } from './spec-of-order.ts';

const ground = (rules: object): SheetGround =>
  ({
    order: {
      number: '26-001',
      clientName: 'She',
      what: 'Skirt',
      occasion: '',
      wornOn: null,
      dueOn: null,
      responsible: null,
      brief: { version: 2, fit: 'fitted', school: 'workroom', parts: [{ part: 'straight-skirt' }] },
    },
    house: { studio: 'The studio', timeZone: 'UTC', rules: rules as HouseRulesWire },
    record: null,
    previous: null,
    session: null,
  }) as unknown as SheetGround;

it('a rule of the house that is not the sheet’s stays out of it, also one that nobody knows yet', () => {
  const own = { hipDrop: '20 cm', pairing: 'pair' };
  const more = { leads: { sheet: 9 }, schools: {}, levels: {}, tape: {}, chalkColour: 'blue' };
  const spec = specOfOrder(ground({ ...own, ...more }), NO_SETTINGS, '2026-03-10');
  expect(spec.house).toEqual(own);
  // What is written into an agreed sheet can be read again.
  expect(KeptSpec.safeParse(spec).error?.issues ?? []).toEqual([]);
  expect(HouseWire.safeParse({ ...own, chalkColour: 'blue' }).success).toBe(false);
});
