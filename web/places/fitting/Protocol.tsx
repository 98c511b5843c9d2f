/** How a fitting goes, as a quiet guide beside the work; nothing of it is filled in (handbook of the house). */
const STEPS: readonly (readonly [string, string])[] = [
  [
    'Ready',
    'The right underwear and shoes on; seam lines at neck and waist turned so that the real edge shows; it closes.',
  ],
  [
    'Look before touching',
    'Front, side, back. Cross threads level at bust and hip; centres plumb; the side seam straight down; waist and hem level; nothing strains, folds or gapes.',
  ],
  ['Ask', 'How does it feel; where the waist is worn; neckline, length. Keep the client’s words.'],
  [
    'Pin',
    'One change at a time, looking again after each. One side, then the mirror, unless it is meant to be uneven. The client looks ahead, not down.',
  ],
  ['Move', 'Sit, breathe, reach, raise the arms, walk.'],
  ['Read back', 'Every sentence aloud; anything else? Agreed by name.'],
  ['Pins', 'Counted out as they were counted in. Book the next step with what it waits for.'],
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
