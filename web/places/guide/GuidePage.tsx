import { ActionButton, RangeField, TextField } from '../../shared/pieces.tsx';
import '../../parts/tape/tape.css';
import './guide.css';
import { cm, MEASURES, type Measure, printByHand, REGIONS, searchMeasures } from '@rocchetto/core';
import type { Build } from '@rocchetto/core/measures/guide/figure-model.ts';
import { guideOf } from '@rocchetto/core/measures/guide/guide.ts';
import { LANDMARKS } from '@rocchetto/core/measures/guide/landmarks.ts';
import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { TapeFigure } from '../../parts/tape/TapeFigure.tsx';
import { Facts } from '../../shared/Facts.tsx';
import { useMe } from '../../shared/me.ts';
import { Place } from '../../shared/Place.tsx';
import { Lists } from './Lists.tsx';

/** How we measure: every measurement with the tape's course, the places to find first, and the slip to watch for. */
export function Component() {
  const [params, setParams] = useSearchParams();
  const [typed, setTyped] = useState('');
  const [build, setBuild] = useState<Build>({ full: 0, tall: 0 });
  const chosen = MEASURES.find((m) => m.id === params.get('m')) ?? MEASURES.find((m) => m.id === 'bust')!;
  const found = typed.trim() === '' ? null : searchMeasures(typed, 40);
  const own = MEASURES.filter((m) => !m.side);
  return (
    <Place
      title="How we measure"
      margin={
        <>
          <section>
            <h2>Print</h2>
            <ul className="why">
              <li>
                <a href="/api/guide.pdf" target="_blank" rel="noreferrer">
                  Whole guide (PDF)
                </a>
              </li>
              <li>
                <a href="/api/guide.pdf?for=client" target="_blank" rel="noreferrer">
                  Client’s page for measuring at home (PDF)
                </a>
              </li>
            </ul>
            <p className="soft">
              An order’s own list, with boxes for a pencil, is printed from its measuring page.
            </p>
          </section>
          <Lists />
          <section>
            <h2>Accuracy</h2>
            <p>
              <Link to="/whose-tape">How closely each person measures, and practice in pairs</Link>
            </p>
          </section>
          <section>
            <h2>Figure</h2>
            <Slide
              label="slighter or fuller"
              value={build.full}
              onSet={(full) => setBuild({ ...build, full })}
            />
            <Slide
              label="shorter or taller"
              value={build.tall}
              onSet={(tall) => setBuild({ ...build, tall })}
            />
          </section>
        </>
      }
    >
      <h1>How we measure</h1>
      <p className="soft">
        Mark the levels first, then measure girths from top to bottom, lengths, the arm, and what else the
        garment needs. ★ is measured twice.
      </p>
      <One measure={chosen} build={build} />
      <div className="row">
        <label htmlFor="find-measure">Find a measurement</label>
        <TextField
          id="find-measure"
          className="grow"
          placeholder="scye depth, seat, back length …"
          value={typed}
          onChange={(e) => setTyped(e.target.value)}
        />
      </div>
      {found !== null && found.length === 0 && <p className="soft">No measurement found.</p>}
      {(found === null ? REGIONS : (['found'] as const)).map((region) => {
        const of = found ?? own.filter((m) => m.region === region);
        return (
          <section key={region} aria-label={region}>
            {found === null && <h2>{region}</h2>}
            <ul className="measures">
              {of.map((m) => (
                <li key={m.id}>
                  <ActionButton
                    look="bare"
                    aria-pressed={m.id === chosen.id}
                    onClick={() => {
                      setParams({ m: m.id }, { replace: true });
                      window.scrollTo({ top: 0 });
                    }}
                  >
                    <TapeFigure measure={m.id} name={m.name} build={build} bare />
                    <span>
                      {m.name}
                      {m.twice && ' ★'}
                    </span>
                  </ActionButton>
                </li>
              ))}
            </ul>
          </section>
        );
      })}
    </Place>
  );
}

function One({ measure: m, build }: { measure: Measure; build: Build }) {
  const g = guideOf(m.id);
  const { unit } = useMe();
  const [from, to] = m.range;
  return (
    <section className="onemeasure" aria-label={m.name}>
      <TapeFigure measure={m.id} name={m.name} build={build} />
      <div>
        <h2>
          {m.name}
          {m.twice && ' ★'}
        </h2>
        <p>{g.how}</p>
        <Facts
          facts={[
            ['Also called', m.also],
            ['Common mistake', g.mistake],
            ['Mark first', m.marked ?? null],
            [
              'Find first',
              <ul key="l" className="why">
                {g.first.map((l) => (
                  <li key={l}>
                    <strong>{LANDMARKS[l].name}</strong>: {LANDMARKS[l].find}
                  </li>
                ))}
              </ul>,
            ],
            ['Usual range', `${printByHand(cm(from), unit)} to ${printByHand(cm(to), unit)}`],
            [
              'Seated',
              m.seated === 'only' ? 'only for a seated client' : m.seated === 'both' ? 'the same' : null,
            ],
          ]}
        />
      </div>
    </section>
  );
}

function Slide({ label, value, onSet }: { label: string; value: number; onSet: (n: number) => void }) {
  return (
    <p>
      <label>
        {label}
        <RangeField
          min={-1}
          max={1}
          step={0.25}
          value={value}
          onChange={(e) => onSet(Number(e.target.value))}
        />
      </label>
    </p>
  );
}
