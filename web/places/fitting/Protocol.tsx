/** How a fitting goes, as a quiet guide beside the work; nothing of it is filled in (handbook of the house). */
const STEPS: readonly (readonly [string, string])[] = [
  [
    'Ready',
    'The right underwear and shoes are on; neck and waist edges are turned in so that the real edge shows; the garment closes.',
  ],
  [
    'Look before touching',
    'Front, side, back. Cross threads level at bust and hip; centres plumb; side seams straight down; waist and hem level; no strain, folds or gaping.',
  ],
  ['Ask', 'How it feels, where the waist is worn, neckline, length. Write down the client’s own words.'],
  [
    'Pin',
    'One change at a time, then look again. One side, then the other alike, unless it is meant to be uneven. The client looks ahead, not down.',
  ],
  ['Move', 'Sit, breathe, reach, raise the arms, walk.'],
  ['Read back', 'Read every sentence aloud. Anything else? Then agree by name.'],
  ['Pins', 'Count out what was counted in. Book the next step with what it needs.'],
];

export function Protocol({ boned, minor, guardian }: { boned: boolean; minor: boolean; guardian: string }) {
  return (
    <>
      {minor && (
        <section>
          <h2>Take care</h2>
          <p>The client is a minor: {guardian || 'a guardian'} is present.</p>
        </section>
      )}
      <section>
        <h2>At the fitting</h2>
        <ol className="why">
          {STEPS.map(([word, what]) => (
            <li key={word}>
              <strong>{word}.</strong> {what}
            </li>
          ))}
        </ol>
        <p className="soft">Touch only with consent; the client may stop at any moment.</p>
        {boned && (
          <p className="soft">
            Tighten in steps; the client must breathe freely, sit and eat. Stop at pain, numbness, dizziness
            or shortness of breath.
          </p>
        )}
      </section>
    </>
  );
}
