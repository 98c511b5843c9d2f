import { describe, expect, it } from 'vitest';
import { hoursWords } from './hours-words.ts';
import { DEFAULT_OPENING, kindsOf } from './house.ts';
import {
  holdsTime,
  initialsOf,
  KINDS,
  NEEDS,
  NEXT,
  ROOM_USES,
  SKILLS,
  STATUSES,
  usualSkills,
} from './kinds.ts';

describe('kinds of appointment', () => {
  it('name skills, room uses and needs that there are', () => {
    for (const k of KINDS) {
      expect(k.hands.length, k.id).toBeGreaterThan(0);
      for (const any of k.hands) for (const s of any) expect(SKILLS).toContain(s);
      for (const use of k.room ?? []) expect(ROOM_USES).toContain(use);
      if (k.need) expect(Object.keys(NEEDS)).toContain(k.need);
      expect(k.minutes % 5, k.id).toBe(0);
    }
    expect(new Set(KINDS.map((k) => k.id)).size).toBe(KINDS.length);
  });
  it('are the house’s own where it says so, keep their name and place, and new ones follow', () => {
    const own = { minutes: 75, buffer: 0, hands: [['fitting' as const]], room: null, need: null };
    const kinds = kindsOf({ fitting: own, 'shoe-trial': own, consultation: { ...own, name: 'First talk' } });
    expect(kinds.map((k) => k.id)).toEqual([...KINDS.map((k) => k.id), 'shoe-trial']);
    const of = (id: string) => kinds.find((k) => k.id === id)!;
    expect(of('fitting')).toEqual({ id: 'fitting', name: 'fitting', ...own, at: 'mirror' });
    expect(of('consultation').name).toBe('First talk');
    expect(of('shoe-trial').name).toBe('shoe trial');
    expect(kindsOf({})).toEqual(KINDS);
  });
  it('stand at the mirror or at the tape as the house says; what was kept before that was asked stands as it did', () => {
    const own = { minutes: 30, buffer: 0, hands: [['fitting' as const]], room: null, need: null };
    const at = (id: string, more: object = {}) =>
      kindsOf({ [id]: { ...own, ...more } }).find((k) => k.id === id)!.at;
    expect(at('shoe-trial')).toBeNull();
    expect(at('shoe-trial', { at: 'mirror' })).toBe('mirror');
    expect(at('hat-measuring', { at: 'tape' })).toBe('tape');
    // Ours, changed before kinds said it; and one of the house's own from that time.
    expect(at('bridal-fitting')).toBe('mirror');
    expect(at('measuring')).toBe('tape');
    expect(at('second-fitting')).toBe('mirror');
    expect(at('outfitting')).toBeNull();
    // Nothing is something that a house may say.
    expect(at('fitting', { at: null })).toBeNull();
  });
  it('no longer offered say so; offered say nothing', () => {
    const own = { minutes: 20, buffer: 0, hands: [['desk' as const]], room: null, need: null };
    const [gone, kept] = [
      kindsOf({ x: { ...own, offered: false } }).at(-1)!,
      kindsOf({ x: { ...own, offered: true } }).at(-1)!,
    ];
    expect(gone.offered).toBe(false);
    expect('offered' in kept).toBe(false);
  });
});

describe('how an appointment goes on', () => {
  it('never goes to where it stands, and never out of nothing', () => {
    for (const s of STATUSES) {
      expect(NEXT[s]).not.toContain(s);
      for (const to of NEXT[s]) expect(STATUSES).toContain(to);
    }
    // Everything but an offer can be reached from an offer.
    const reached = new Set<string>(['offered']);
    for (let n = 0; n < STATUSES.length; n++)
      for (const s of STATUSES) if (reached.has(s)) for (const to of NEXT[s]) reached.add(to);
    expect([...reached].sort()).toEqual([...STATUSES].sort());
  });
  it('what is cancelled stays cancelled, and only that and who did not come let their time go', () => {
    expect(NEXT.cancelled).toEqual([]);
    expect(STATUSES.filter((s) => !holdsTime(s))).toEqual(['cancelled', 'did-not-come']);
  });
});

describe('staff until the house says otherwise', () => {
  it.each([
    ['Odile Marchetti', 'OM'],
    ['Wren', 'W'],
    ['  Zoë   van  Ommeren ', 'ZO'],
    ['ßigrid Å', 'SSÅ'],
    ['👩‍🎤 Star', '👩S'],
    ['', ''],
  ])('%s is %s', (name, letters) => expect(initialsOf(name)).toBe(letters));
  it('can do what their role usually does, and somebody can do each usual kind', () => {
    const all = ['principal', 'fitter', 'seamstress', 'desk'].flatMap(usualSkills);
    for (const k of KINDS.filter((x) => x.id !== 'bridal-fitting'))
      for (const any of k.hands)
        expect(
          any.some((s) => all.includes(s)),
          k.id,
        ).toBe(true);
  });
  it('the house is open on weekdays, and on Saturday until one', () =>
    expect(hoursWords(DEFAULT_OPENING)).toBe('Mon–Fri 09:00–18:00; Sat 09:00–13:00'));
});
