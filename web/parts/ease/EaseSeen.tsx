import './ease.css';
import { cm, printWithUnit, type SheetUnit } from '@rocchetto/core';
import { easeWords, type LevelSeen, type Room, standsOff } from '@rocchetto/core/compare/ease-seen.ts';
import { scaleLinear } from 'd3-scale';
import { area, curveMonotoneY, line } from 'd3-shape';

const SCALE = 4;
/** The way from body to cloth is drawn so many times as far: as it is, a hand would not see it. */
const FARTHER = 3;
/** A line of cloth goes on so far past the last place at which the garment follows the body, cm. */
const PAST = 1.5;
/** From level to level: body, cloth, height. */
type Between = readonly [body: number, cloth: number, y: number];
const between = area<Between>()
  .x0((p) => p[0] * SCALE)
  .x1((p) => p[1] * SCALE)
  .y((p) => -p[2] * SCALE)
  .curve(curveMonotoneY);
const through = line<readonly [x: number, y: number]>(
  (p) => p[0] * SCALE,
  (p) => -p[1] * SCALE,
).curve(curveMonotoneY);

interface Props {
  readonly levels: readonly LevelSeen[];
  /** what is drawn around the body: "size 38", "the garment" */
  readonly drawn: string;
  readonly rooms: readonly Room[];
  /** the same as it was, where something is tried */
  readonly was?: readonly Room[];
  /** how that is called beside a figure, and in the foot */
  readonly wasIs?: readonly [word: string, foot: string];
  readonly unit: SheetUnit;
}
const NOW = ['as drafted now', 'as it is drafted now'] as const;
/** Which side of the body: its half width, its front, its back. */
type Side = 'half' | 'front' | 'back';

/** The body as it was measured and a garment around it, from in front and from the side: where the ease is, and what it is for. */
export function EaseSeen({ levels, drawn, rooms, was, wasIs = NOW, unit }: Props) {
  const roomAt = (id: string, all = rooms) => all.find((r) => r.id === id);
  const known = levels.filter((l) => roomAt(l.id));
  if (levels.length < 2 || known.length === 0) return null;
  const off = offOf(levels, rooms);
  const offWas = was && offOf(levels, was);
  const [top, low] = [levels[0]!.height + 5, levels.at(-1)!.height - 5];
  const reach = (l: LevelSeen, of: typeof off, side: Side) => l[side] + of(l, side);
  const widest =
    Math.max(
      ...levels.flatMap((l) =>
        (['half', 'front', 'back'] as const).flatMap((side) =>
          [off, offWas].flatMap((o) => (o ? [reach(l, o, side)] : [l[side]])),
        ),
      ),
    ) + 2;
  // Cloth is drawn as far as the garment follows the body: where it falls free nothing says how far off it is.
  const followed = levels.filter((l) => l.height <= known[0]!.height && l.height >= known.at(-1)!.height);
  const free = followed.length < levels.length;
  const ends = (of: readonly LevelSeen[], at: (l: LevelSeen) => number) =>
    [
      [at(of[0]!), of[0] === levels[0] ? top : of[0]!.height + PAST],
      ...of.map((l) => [at(l), l.height] as const),
      [at(of.at(-1)!), of.at(-1) === levels.at(-1) ? low : of.at(-1)!.height - PAST],
    ] as const;
  const view = (name: string, sides: readonly (readonly [Side, out: 1 | -1])[]) => (
    <svg
      role="img"
      aria-label={`${name}: the body and ${drawn} around it`}
      viewBox={`${-widest * SCALE} ${-top * SCALE} ${2 * widest * SCALE} ${(top - low) * SCALE}`}
    >
      {levels.map((l) => (
        <line
          key={l.id}
          className="level"
          x1={-widest * SCALE}
          x2={widest * SCALE}
          y1={-l.height * SCALE}
          y2={-l.height * SCALE}
        />
      ))}
      {sides.map(([side, out]) => {
        const body = ends(levels, (l) => l[side]);
        const beneath = ends(followed, (l) => l[side]);
        const cloth = ends(followed, (l) => reach(l, off, side));
        return (
          <g key={out}>
            <path
              className="room"
              d={between(beneath.map(([x, y], i): Between => [out * x, out * cloth[i]![0], y])) ?? ''}
            />
            <path className="bodyline" d={through(body.map(([x, y]) => [out * x, y] as const)) ?? ''} />
            {offWas && (
              <path
                className="wasline"
                d={
                  through(
                    ends(followed, (l) => reach(l, offWas, side)).map(([x, y]) => [out * x, y] as const),
                  ) ?? ''
                }
              />
            )}
            <path className="clothline" d={through(cloth.map(([x, y]) => [out * x, y] as const)) ?? ''} />
            {known.flatMap((l) =>
              (['least', 'wish'] as const).map((mark) => {
                const ease = roomAt(l.id)![mark] ?? null;
                const x = out * (l[side] + FARTHER * standsOff(ease ?? 0)) * SCALE;
                return ease === null ? null : (
                  <path key={`${l.id} ${mark}`} className={mark} d={`M${x} ${-l.height * SCALE - 9}v18`} />
                );
              }),
            )}
            {levels.map((l) => (
              <circle
                key={l.id}
                className={l.guessed.length > 0 ? 'at guessed' : 'at'}
                cx={out * l[side] * SCALE}
                cy={-l.height * SCALE}
                r={3}
              />
            ))}
          </g>
        );
      })}
    </svg>
  );
  return (
    <section aria-label={`Ease of ${drawn}`} className="easeseen">
      <h2>Where the ease of {drawn} is</h2>
      <div className="views">
        <figure>
          {view('From in front', [
            ['half', 1],
            ['half', -1],
          ])}
          <figcaption>from in front</figcaption>
        </figure>
        <figure>
          {view('From the side', [
            ['front', 1],
            ['back', -1],
          ])}
          <figcaption>from the side, the front at the right</figcaption>
        </figure>
        <dl>
          {known.map((l) => (
            <RoomWords
              key={l.id}
              level={l}
              room={roomAt(l.id)!}
              was={was && roomAt(l.id, was)}
              wasIs={wasIs[0]}
              unit={unit}
            />
          ))}
        </dl>
      </div>
      <p className="soft later">
        The inner line is the body by its measurements, the outer one the cloth as it would stand off, drawn
        three times as far{was ? `; the broken one is the cloth ${wasIs[1]}` : ''}. A short stroke across is
        the least that a cloth without stretch needs there
        {rooms.some((r) => r.wish != null) ? ', a dotted one what the fit wants' : ''}. It shows no drape
        {free ? ', and no cloth where the garment falls free of the body' : ''}. At an open point the height,
        or how much of the girth lies in front, was not measured.
      </p>
    </section>
  );
}

/** How far the cloth is drawn from the body, by level and side; between levels with room, evenly from one to the next. */
function offOf(levels: readonly LevelSeen[], rooms: readonly Room[]) {
  const known = levels.flatMap((l) => {
    const room = rooms.find((r) => r.id === l.id);
    return room ? [{ height: l.height, room }] : [];
  });
  const scaled = (of: (r: Room) => number) => {
    const values = known.map(({ room }) => of(room));
    if (values.length < 2) return () => values[0] ?? 0;
    return scaleLinear(
      known.map(({ height }) => height),
      values,
    ).clamp(true);
  };
  const at = {
    half: scaled((r) => r.ease),
    front: scaled((r) => (r.front === null ? r.ease : 2 * r.front)),
    back: scaled((r) => (r.back === null ? r.ease : 2 * r.back)),
  };
  return (l: LevelSeen, side: Side) => FARTHER * standsOff(at[side](l.height));
}

function RoomWords({
  level,
  room,
  was,
  wasIs,
  unit,
}: {
  level: LevelSeen;
  room: Room;
  was: Room | undefined;
  wasIs: string;
  unit: SheetUnit;
}) {
  const size = (n: number) => `${n < -1e-9 ? '−' : ''}${printWithUnit(Math.abs(n) as Room['ease'], unit)}`;
  // Half a centimetre is what hand and cloth make of any fit.
  const near = (a: number | undefined, b: number) => a !== undefined && Math.abs(a - b) <= 0.5;
  const wished =
    room.wish == null || near(room.ease, room.wish) || near(was?.ease, room.wish) ? null : room.wish;
  const tight = room.ease < -1e-9 || (room.least !== null && room.ease < room.least - 1e-9);
  return (
    <div>
      <dt>{level.name}</dt>
      <dd className={tight ? 'tight' : undefined}>
        {/* The words say that it is less: the figure is how much. */}
        {size(room.ease < 0 ? cm(-room.ease) : room.ease)} {easeWords(room.id, room.ease, room.least)}
        {was && Math.abs(was.ease - room.ease) > 1e-9 && (
          <span className="soft">
            {' '}
            ({wasIs} {size(was.ease)})
          </span>
        )}
        {wished !== null && <span className="soft"> (the fit wants {size(wished)})</span>}
        {room.front !== null && room.back !== null && (
          <span className="soft">
            <br />
            in front {size(room.front)}, behind {size(room.back)}
          </span>
        )}
      </dd>
    </div>
  );
}
