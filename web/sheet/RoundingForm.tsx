import { type HouseRounding, inches, printWithUnit, ROUNDING_STEPS, type SheetUnit } from '@rocchetto/core';

const label = (unit: SheetUnit, step: number, mode: HouseRounding['mode']) => {
  if (step === 0) return `${unit}: exact`;
  const word =
    unit === 'in' ? printWithUnit(inches(step), 'in') : step < 0.5 ? `${step * 10} mm` : `${step} cm`;
  return mode === 'up' ? `up to the next ${word}` : `nearest ${word}`;
};

const CHOICES = (['cm', 'in'] as const).flatMap((unit) =>
  ROUNDING_STEPS[unit].flatMap((step) =>
    (step === 0 ? ['nearest' as const] : (['nearest', 'up'] as const)).map((mode) => ({
      value: `${unit} ${step} ${mode}`,
      label: label(unit, step, mode),
    })),
  ),
);

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
      <select
        className="field wide-field"
        aria-label="Rounding of marked figures"
        value={`${rounding.unit} ${rounding.step} ${rounding.mode}`}
        onChange={(e) => {
          const [unit, step, mode] = e.target.value.split(' ');
          onChange({ unit: unit as SheetUnit, step: Number(step), mode: mode as HouseRounding['mode'] });
        }}
      >
        {CHOICES.map((c) => (
          <option key={c.value} value={c.value}>
            {c.label}
          </option>
        ))}
      </select>
    </section>
  );
}
