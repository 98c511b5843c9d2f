import {
  type HouseRounding,
  ROUNDING_CHOICES,
  roundingOf,
  roundingWord,
  type SheetUnit,
} from '@rocchetto/core';
import { useMe } from '../../shared/me.ts';
import { SelectField } from '../../shared/pieces.tsx';

/** How the figures a hand marks are rounded, once, on this sheet. */
export function RoundingForm({
  rounding,
  shown,
  onChange,
}: {
  rounding: HouseRounding;
  shown: SheetUnit;
  onChange: (r: HouseRounding) => void;
}) {
  const me = useMe();
  // Of the studio’s unit, of the one in which this sheet is marked, and of the one in which it is looked at.
  const offered = (word: string) => [me.unit, rounding.unit, shown].includes(roundingOf(word).unit);
  return (
    <section>
      <h2>Rounding</h2>
      <SelectField
        className="wide-field"
        aria-label="Rounding of marked figures"
        value={roundingWord(rounding)}
        onChange={(e) => onChange(roundingOf(e.target.value))}
      >
        {ROUNDING_CHOICES.filter((c) => offered(c.value)).map((c) => (
          <option key={c.value} value={c.value}>
            {c.label}
          </option>
        ))}
      </SelectField>
    </section>
  );
}
