import { type HouseRounding, ROUNDING_CHOICES, roundingOf, roundingWord } from '@rocchetto/core';
import { SelectField } from '../../shared/pieces.tsx';

/** How the figures a hand marks are rounded, once, on this sheet. */
export function RoundingForm({
  rounding,
  onChange,
}: {
  rounding: HouseRounding;
  onChange: (r: HouseRounding) => void;
}) {
  return (
    <section>
      <h2>Rounding</h2>
      <SelectField
        className="wide-field"
        aria-label="Rounding of marked figures"
        value={roundingWord(rounding)}
        onChange={(e) => onChange(roundingOf(e.target.value))}
      >
        {ROUNDING_CHOICES.map((c) => (
          <option key={c.value} value={c.value}>
            {c.label}
          </option>
        ))}
      </SelectField>
    </section>
  );
}
