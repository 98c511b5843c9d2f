import { describe, expect, it } from 'vitest';
import { dayAfter } from '../dates/day-after.ts';
import { KINDS } from '../diary/kinds.ts';
import { common, lengthOf, without } from '../diary/spans.ts';
import type { Span } from '../diary/zoned.ts';
import { answerOf } from './answer.ts';
import {
  backOnBench,
  type Choices,
  chainOf,
  lastDays,
  leftOut,
  type OrderAtWork,
  usualChoices,
} from './chain.ts';
import { freeOf } from './free.ts';
import { oneVisit } from './one-visit.ts';
import { ofTable } from './past.ts';
import { asAmong, FIRST, inventedOrders, inventedStudio, plainOrder } from './testing.ts';
import { TIMES, timeKept, timeRead, USUAL_TIMES } from './times.ts';
import { brokenBy, planTogether } from './together.ts';
import { minutesOf, PLAIN_WORK, type Work } from './work.ts';

const day = (n: number) => dayAfter(FIRST, n);
const choices = (more: Partial<Choices> = {}, order = plainOrder()): Choices => ({
  ...usualChoices(order.work),
  ...more,
});
const chain = (order: OrderAtWork, c = choices({}, order)) => chainOf(order, c, USUAL_TIMES, KINDS);
const ids = (order: OrderAtWork, c?: Choices) => chain(order, c).map((s) => s.id);
const answer = (order: OrderAtWork, c = choices({}, order), ground = inventedStudio(2)) =>
  answerOf(ground, (of) => chain(order, of), c, lastDays(order, USUAL_TIMES));

describe('the steps of an order', () => {
  it('go on from where it stands', () => {
    expect(ids(plainOrder({ stage: 'asked' }))[0]).toBe('brief');
    expect(ids(plainOrder({ stage: 'brief' }))[0]).toBe('measure');
    expect(ids(plainOrder())[0]).toBe('order-cloth');
    // That the sheet is agreed says nothing of the cloth.
    expect(ids(plainOrder({ stage: 'agreed' })).slice(0, 3)).toEqual(['order-cloth', 'wash', 'cut']);
    expect(ids(plainOrder({ stage: 'cut' }))[0]).toBe('baste');
    expect(ids(plainOrder({ stage: 'fitting', alterations: 40 }))[0]).toBe('changes-1');
    expect(ids(plainOrder({ stage: 'ready' }))).toEqual(['collection']);
    expect(ids(plainOrder({ stage: 'handed-over' }))).toEqual([]);
  });
  it('take what was asked for at a fitting for its changes, and nothing where nothing was', () => {
    const of = (alterations: number) =>
      chain(plainOrder({ stage: 'fitting', alterations })).find((s) => s.id === 'changes-1');
    expect(of(40)?.minutes).toBe(40);
    const held = { id: 1, kind: 'fitting', done: true, start: 0, end: 45, staff: [1] };
    expect(ids(plainOrder({ stage: 'fitting', booked: [held] }))[0]).toBe('sew');
  });
  it('know toile, fittings, one visit, cloth that is there, and any fitting of the house’s own', () => {
    const toile = ids(plainOrder(), choices({ toile: true, fittings: 2 }));
    expect(toile).toEqual(
      expect.arrayContaining(['toile', 'toile-fitting', 'fitting-1', 'fitting-2', 'final-fitting']),
    );
    const once = ids(plainOrder(), choices({ once: true, toile: true }));
    expect(once.filter((s) => s.includes('fitting'))).toEqual(['fitting-1']);
    expect(ids(plainOrder(), choices({ cloth: { state: 'here', on: null } }))).not.toContain('order-cloth');
    const own = {
      ...KINDS.find((k) => k.id === 'fitting')!,
      id: 'evening',
      name: 'evening try-on',
      at: 'mirror' as const,
    };
    const booked = [{ id: 7, kind: 'evening', done: false, start: 5000, end: 5045, staff: [1] }];
    expect(
      chainOf(plainOrder({ booked }), choices(), USUAL_TIMES, [...KINDS, own]).find(
        (s) => s.id === 'fitting-1',
      )!.booked?.id,
    ).toBe(7);
  });
  it('go on waiting for what is done already: cloth that was ordered, cloth that hangs, a visit the other day', () => {
    const done = [{ step: 'order-cloth', on: day(2) }];
    const wash = chain(plainOrder(), choices({ done })).find((s) => s.id === 'wash')!;
    expect([wash.waits, wash.notBefore]).toEqual([[], day(9)]);
    const given = [{ step: 'sew', staffId: 10, day: day(3), done: true, doneOn: day(4) }];
    const bias = plainOrder({
      stage: 'fitting',
      alterations: 5,
      given,
      work: { ...PLAIN_WORK, hangs: true },
    });
    expect(chain(bias).find((s) => s.id === 'hem')!.notBefore).toBe(day(6));
    const held = [{ id: 1, kind: 'fitting', done: true, day: day(5), start: 0, end: 45, staff: [1] }];
    expect(
      chain(plainOrder({ stage: 'fitting', booked: held })).find((s) => s.id === 'final-fitting')!.notBefore,
    ).toBe(day(8));
    // Cut from cloth that somebody must have had.
    expect(chain(plainOrder({ stage: 'cut' })).every((s) => s.notBefore === null)).toBe(true);
  });
  it('lose no visit where the house no longer has its kind', () =>
    expect(ids(plainOrder(), choices({ fittingKind: 'gone' }))).toContain('fitting-1'));
  it('lose none that was added after cloth that is still to be ordered', () => {
    const added = { name: 'sponge it', after: 'order-cloth', skill: 'tailoring' } as const;
    const c = choices({ own: [{ id: 'own-1', minutes: 20, reason: 'it spots', added }] });
    expect(ids(plainOrder({ stage: 'agreed' }), c).slice(0, 2)).toEqual(['order-cloth', 'own-1']);
    expect(ids(plainOrder({ stage: 'cut' }), c)).not.toContain('own-1');
  });
  it('wait, where it comes back to the bench, before anything else goes on', () => {
    const back = (order: OrderAtWork, c = choices({}, order)) =>
      ids(order, backOnBench(order, c, USUAL_TIMES, KINDS, 90));
    // A toile that was sewn, before its fitting; a garment that was fitted, before its changes; the first step of all.
    const done = ['draft', 'toile'].map((step) => ({ step, on: day(0) }));
    const toiled = choices({ toile: true, cloth: { state: 'here', on: null }, done });
    expect(back(plainOrder(), toiled).slice(0, 2)).toEqual(['back-on-bench', 'toile-fitting']);
    expect(back(plainOrder({ stage: 'fitting', alterations: 40 })).slice(0, 2)).toEqual([
      'back-on-bench',
      'changes-1',
    ]);
    for (const stage of ['asked', 'agreed', 'cut', 'ready'] as const) {
      const order = plainOrder({ stage });
      expect(back(order).filter((s) => s !== 'back-on-bench')).toEqual(ids(order));
      expect(back(order)).toContain('back-on-bench');
    }
    expect(back(plainOrder({ stage: 'handed-over' }))).toEqual([]);
  });
  it('are changed, struck, added and ticked off, each with its reason', () => {
    const c = choices({
      own: [
        { id: 'hem', minutes: 240, reason: 'rolled by hand', added: null },
        { id: 'wash', minutes: null, reason: 'dry-clean only', added: null },
        {
          id: 'own-1',
          minutes: 90,
          reason: 'her own',
          added: { name: 'beads', after: 'sew', skill: 'beading' },
        },
        {
          id: 'own-2',
          minutes: 30,
          reason: '',
          added: { name: 'after nothing', after: 'gone', skill: 'tailoring' },
        },
      ],
      done: [{ step: 'draft', on: FIRST }],
    });
    const steps = chain(plainOrder(), c);
    const at = (id: string) => steps.findIndex((s) => s.id === id);
    expect(steps.find((s) => s.id === 'hem')).toMatchObject({
      minutes: 240,
      why: ['set for this garment: rolled by hand'],
    });
    expect([at('wash'), at('draft')]).toEqual([-1, -1]);
    expect(at('own-1')).toBe(at('sew') + 1);
    expect(at('own-2')).toBe(at('collection') - 1);
    expect(leftOut(plainOrder(), c, USUAL_TIMES, 'dmy').map((l) => `${l.name}, ${l.says}`)).toEqual([
      'wash and press the cloth, struck: dry-clean only',
      'draft the pattern, marked as done on 5 Jan 2026',
    ]);
  });
  it('of a garment that was brought in are four', () =>
    expect(ids(plainOrder({ broughtIn: true, stage: 'fitting', alterations: 75 }))).toEqual([
      'changes-1',
      'fitting-1',
      'finish',
      'collection',
    ]));
});

describe('minutes of a step', () => {
  it('say what they are made of', () =>
    expect(
      minutesOf('hem', { ...PLAIN_WORK, counts: { ...PLAIN_WORK.counts, metre: 2.4 } }, USUAL_TIMES),
    ).toEqual({
      minutes: 50,
      why: ['hem, to begin with: 10 min', 'hem: 2.4 metres of hem at 15 min, 36 min'],
    }));
  it('of a hem are told by the yard in an inch studio, and what it wrote reads back', () => {
    const hem = { ...PLAIN_WORK, counts: { ...PLAIN_WORK.counts, metre: 2 } };
    const say = (unit: 'cm' | 'in') => minutesOf('hem', hem, { minutes: {}, days: {}, unit });
    expect(say('cm').why).toContain('hem: 2 metres of hem at 15 min, 30 min');
    // 2 m are 2.19 yards (1 yd = 0.9144 m, the international yard of 1959, from memory); 15 min a metre 13.7 a yard.
    expect(say('in').why).toContain('hem: 2.2 yards of hem at 13.7 min, 30 min');
    expect(say('in').minutes).toBe(say('cm').minutes);
    const line = TIMES.find((t) => t.id === 'hem-metre')!;
    for (let n = 0; n <= 120; n += 0.5)
      expect(timeRead(line, timeKept(line, n, 'in'), 'in').minutes).toBeCloseTo(n, 5);
  });
  it('of the house’s own table are named as such', () =>
    expect(minutesOf('finish', PLAIN_WORK, { minutes: { finish: 45 }, days: {} }).why).toEqual([
      'finish and press: 45 min, the studio’s own time',
    ]));
});

describe('what can be promised', () => {
  it('without a day says when it can be ready', () => {
    const a = answer(plainOrder({ wornOn: null }));
    expect([a.holds, a.says.length]).toEqual(['no-day', 1]);
    expect(a.says[0]).toMatch(/^Ready on \d+ Jan at the earliest\. No day is given/);
  });
  it.each([
    ['tomorrow', day(1)],
    ['a week ago', day(-7)],
  ])('worn %s it cannot, and what can be said is said', (_, wornOn) => {
    const a = answer(plainOrder({ wornOn }));
    expect(a.holds).toBe('no');
    expect(a.steps.every((s) => s.earliest !== null)).toBe(true);
    expect(a.would.some((w) => w.id === 'later')).toBe(true);
  });
  it('names every skill that nobody has, and plans the rest', () => {
    const ground = inventedStudio(0);
    const nobody = {
      ...ground,
      book: { ...ground.book, staff: ground.book.staff.filter((h) => !h.skills.includes('tailoring')) },
    };
    const a = answer(plainOrder(), undefined, nobody);
    expect(a.says).toContain(
      'Nobody on the staff can take the step “cut”: it needs tailoring or fitting.'.replace(
        '“cut”: it needs tailoring or fitting',
        '“sew”: it needs tailoring',
      ),
    );
    expect(a.ready).toBeNull();
    expect(a.steps.find((s) => s.step.id === 'final-fitting')!.earliest).not.toBeNull();
  });
  it('finds no time while everybody is away all along, or the client is', () => {
    const ground = inventedStudio(1, 30);
    const none = {
      ...ground,
      book: { ...ground.book, staff: ground.book.staff.map((h) => ({ ...h, works: [] })) },
    };
    expect(answer(plainOrder(), undefined, none).says[0]).toMatch(
      /^No time was found for the step “order the cloth” up to /,
    );
    const away = { ...ground, book: { ...ground.book, client: [] } };
    expect(answer(plainOrder(), undefined, away).says[0]).toMatch(
      /^No time was found for the step “fitting” up to /,
    );
  });
  it('offers only what holds when it is done', () => {
    let offered = 0;
    for (let n = 14; n < 34; n++) {
      const order = plainOrder({
        wornOn: day(n),
        work: { hangs: false, counts: { ...PLAIN_WORK.counts, bone: 14, panel: 16, piece: 24 } },
      });
      const c = choices({ fittings: 3, toile: true }, order);
      const a = answer(order, c);
      const until = lastDays(order, USUAL_TIMES);
      for (const w of a.would) {
        offered++;
        if (w.id === 'later') expect(w.day).toBe(a.ready);
        else expect(w.day <= until.handOver!).toBe(true);
        const chosen = {
          'fewer-fittings': { fittings: 2 },
          'no-toile': { toile: false },
          once: { once: true, toile: false },
        }[w.id as string];
        if (chosen) expect(answer(order, { ...c, ...chosen }).ready).toBe(w.day);
      }
    }
    expect(offered).toBeGreaterThan(20);
  });
  it('work of no minutes takes none, and bench work given for a day leaves the rest of it free', () => {
    const own = [{ id: 'hem', minutes: 0, reason: 'raw edge', added: null }];
    const hem = answer(plainOrder(), choices({ own })).steps.find((s) => s.step.id === 'hem')!;
    expect([hem.earliest!.start === hem.earliest!.end, hem.earliest!.parts.length]).toEqual([true, 0]);
    const works: Span[] = [{ from: 540, to: 1020 }];
    const hand = { id: 1, name: '', skills: [], works, busy: [{ from: 600, to: 660 }] };
    const given = { ...hand, bench: [{ from: 0, to: 1440, left: 420 - 300 }] };
    const days = [{ from: 0, to: 1440 }];
    expect(lengthOf(freeOf(hand, [], days, 0))).toBe(420);
    expect(freeOf(given, [], days, 0)).toEqual([
      { from: 540, to: 600 },
      { from: 660, to: 720 },
    ]);
  });
});

describe('what has to move', () => {
  it('is as little as will do, and is told with its new day', () => {
    const ground = inventedStudio(2);
    const at = (n: number, minute: number) => n * 1440 + minute;
    const fitting = { id: 1, kind: 'fitting', done: false, start: at(1, 600), end: at(1, 645), staff: [1] };
    const collection = {
      id: 2,
      kind: 'collection',
      done: false,
      start: at(50, 600),
      end: at(50, 620),
      staff: [3],
    };
    const a = answer(plainOrder({ booked: [fitting, collection] }), undefined, ground);
    expect(a.broken).toHaveLength(1);
    const move = a.would.find((w) => w.id === 'move')!;
    // The collection may stay where it is.
    expect(move.says).toMatch(/^With “fitting” moved to \d+ Jan: ready by 24 Feb\.$/);
    // Two that stand in the way are both named; neither alone would do.
    const last = {
      id: 3,
      kind: 'final-fitting',
      done: false,
      start: at(2, 600),
      end: at(2, 645),
      staff: [1],
    };
    const two = answer(plainOrder({ booked: [fitting, last] }), undefined, ground);
    expect(two.would.find((w) => w.id === 'move')!.says).toMatch(
      /“fitting” moved to .* and “last fitting” moved to /,
    );
  });
});

describe('appointments and now', () => {
  const ground = inventedStudio(2);
  const later = (minute: number) => ({ ...ground, book: { ...ground.book, now: minute } });
  const fitting = { id: 1, kind: 'fitting', done: false, start: 1440 + 600, end: 1440 + 645, staff: [1] };
  const order = plainOrder({ stage: 'cut', booked: [fitting] });
  const ready = choices({ done: [{ step: 'baste', on: FIRST }] });
  it('one that goes on just now is held where it is', () => {
    const a = answer(order, ready, later(1440 + 610));
    expect([a.broken, a.steps[0]!.earliest!.start]).toEqual([[], fitting.start]);
  });
  it('one that is over and untold counts as not held, and its outcome is asked for', () => {
    const a = answer(order, ready, later(1440 + 700));
    expect(a.broken).toEqual([]);
    expect(a.says[1]).toBe(
      'The appointment “fitting” is over: enter its outcome in the diary. Until then it counts as not held.',
    );
    expect(a.steps[0]!.earliest!.start).toBeGreaterThan(fitting.end);
  });
});

describe('one visit', () => {
  it('settles what the garment has, and its appointment is as long as that takes', () => {
    const gown: Work = { hangs: true, counts: { ...PLAIN_WORK.counts, bone: 14, sleeve: 2, panel: 16 } };
    const [plain, rich] = [oneVisit(PLAIN_WORK), oneVisit(gown)];
    expect(rich.minutes).toBeGreaterThan(plain.minutes);
    expect(plain.settle.some((s) => s.what.startsWith('sleeves'))).toBe(false);
    expect(rich.risk.length).toBeGreaterThan(plain.risk.length);
    expect(plain.minutes).toBe(plain.settle.reduce((sum, s) => sum + s.minutes, 0));
    const fitting = chain(plainOrder({ work: gown }), choices({ once: true })).find(
      (s) => s.id === 'fitting-1',
    )!;
    expect(fitting.minutes).toBeGreaterThanOrEqual(rich.minutes);
    expect(fitting.minutes % 15).toBe(0);
  });
});

describe('the past and the table', () => {
  it('a table that was corrected by its past is not corrected again by the same past', () => {
    const sew = TIMES.filter((t) => t.step === 'sew');
    const half = { minutes: Object.fromEntries(sew.map((t) => [t.id, t.minutes * 1.5])), days: {} };
    expect([ofTable('sew', USUAL_TIMES), ofTable('sew', half), ofTable('hem', half)]).toEqual([1, 1.5, 1]);
  });
});

describe('all orders together', () => {
  const ground = inventedStudio(3);
  const orders = inventedOrders(ground, 60);
  it('take no hand, room or client twice, and nothing outside hours', () => {
    const { held } = planTogether(ground, orders);
    const kept = new Map<string, Span[]>();
    for (const h of held)
      for (const { step, earliest } of h.answer.steps) {
        if (!earliest) continue;
        const spans = step.does === 'work' ? earliest.parts : [{ from: earliest.start, to: earliest.end }];
        const whose = [
          ...earliest.staff.map((s) => `hand ${s}`),
          ...(earliest.room === null ? [] : [`room ${earliest.room}`]),
          ...(step.does === 'meeting' ? [`client ${h.id}`] : []),
        ];
        for (const k of whose) {
          for (const s of spans) expect([k, lengthOf(common(kept.get(k) ?? [], [s]))]).toEqual([k, 0]);
          kept.set(
            k,
            [...(kept.get(k) ?? []), ...spans].sort((a, b) => a.from - b.from),
          );
        }
        for (const s of spans) expect(lengthOf(common(ground.open, [s]))).toBe(s.to - s.from);
        const client = orders.find((o) => o.id === h.id)!.client;
        if (step.does === 'meeting')
          for (const s of spans) expect(lengthOf(common(client, [s]))).toBe(s.to - s.from);
      }
    expect(kept.size).toBeGreaterThan(60);
  });
  it('count for each hand what is planned of what is free', () => {
    const { weeks, held } = planTogether(ground, orders);
    const planned = weeks.flatMap((w) => w.hands).reduce((sum, h) => sum + h.planned, 0);
    const inWeeks = { from: 0, to: weeks.length * 7 * 1440 };
    const work = held
      .flatMap((h) => h.answer.steps)
      .reduce((sum, s) => sum + lengthOf(common(s.earliest?.parts ?? [], [inWeeks])), 0);
    // Appointments take their hands too, with the time for changing where it lies in their hours.
    expect(planned).toBeGreaterThan(work);
    for (const w of weeks) for (const h of w.hands) expect(h.planned <= h.free && h.planned >= 0).toBe(true);
  });
  it('what breaks is what holds no longer when all is planned anew', () => {
    const tight = inventedStudio(1);
    const many = inventedOrders(tight, 12, 5);
    const away = [{ from: 7 * 1440, to: 21 * 1440 }];
    const without1 = {
      ...tight,
      book: {
        ...tight.book,
        staff: tight.book.staff.map((h) =>
          h.skills.includes('tailoring') ? { ...h, works: without(h.works, away) } : h,
        ),
      },
    };
    const [before, after] = [planTogether(tight, many), planTogether(without1, many)];
    const broken = new Set(brokenBy(before, after).map((b) => b.is.id));
    const was = new Map(before.held.map((h) => [h.id, h.answer]));
    for (const h of after.held)
      if (was.get(h.id)!.holds === 'yes' && h.answer.holds === 'no') expect(broken.has(h.id)).toBe(true);
      else if (h.answer.ready === was.get(h.id)!.ready && h.answer.says.join() === was.get(h.id)!.says.join())
        expect(broken.has(h.id)).toBe(false);
    expect(broken.size).toBeGreaterThan(0);
    expect(brokenBy(before, before)).toEqual([]);
  });
  it('the one to be handed over first has the first choice', () => {
    const late = asAmong(1, plainOrder({ wornOn: day(40) }), ground.open);
    const soon = asAmong(2, plainOrder({ wornOn: day(25) }), ground.open);
    const { held } = planTogether(inventedStudio(1), [late, soon]);
    expect(held.map((h) => h.id)).toEqual([2, 1]);
  });
  it('runs to an end with more work than there are hours', () => {
    const one = inventedStudio(1, 60);
    const heavy: Work = { hangs: false, counts: { ...PLAIN_WORK.counts, panel: 60 } };
    const { held } = planTogether(
      one,
      Array.from({ length: 80 }, (_, i) =>
        asAmong(i + 1, plainOrder({ wornOn: day(30), work: heavy }), one.open),
      ),
    );
    expect(held.some((h) => h.answer.says[0]!.startsWith('No time was found for the step'))).toBe(true);
  });
});
