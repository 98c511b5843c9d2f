import { inches, printWithUnit, ROUNDING_STEPS, type Rounding, type SheetUnit } from '@rocchetto/core';
import { Select } from 'antd';

const label = (unit: SheetUnit, step: number, mode: Rounding['mode']) => {
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
  rounding: Rounding;
  onChange: (r: Rounding) => void;
}) {
  return (
    <section>
      <h2>Rounding</h2>
      <Select
        aria-label="Rounding of marked figures"
        style={{ width: '100%' }}
        value={`${rounding.unit} ${rounding.step} ${rounding.mode}`}
        options={CHOICES}
        listHeight={480}
        onChange={(text: string) => {
          const [unit, step, mode] = text.split(' ');
          onChange({ unit: unit as SheetUnit, step: Number(step), mode: mode as Rounding['mode'] });
        }}
      />
    </section>
  );
}
