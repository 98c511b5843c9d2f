import type { PartWire } from '@rocchetto/contract';
import { CLOTH_NAME, CUT_KINDS, OTHERS, partFor, type SheetUnit } from '@rocchetto/core';
import { Button, Form, Select } from 'antd';
import { ClothFields } from './ClothFields.tsx';

const KINDS = Object.entries(CUT_KINDS).map(([value, label]) => ({ value, label }));

/** Cloths beside the order's own, each with the parts and the kinds of panels that are cut from it. */
export function OtherCloths({ unit }: { readonly unit: SheetUnit }) {
  const parts = (Form.useWatch('parts', { preserve: true }) ?? []) as readonly PartWire[];
  const keys = new Map(parts.map((p) => [partFor(p.part).key, partFor(p.part).name]));
  const choices = [...[...keys].map(([value, label]) => ({ value, label })), ...KINDS];
  return (
    <Form.List name="cloths">
      {(rows, { add, remove }) => (
        <>
          {rows.map(({ key, name }) => {
            const called = CLOTH_NAME[OTHERS[name]!];
            return (
              <fieldset key={key} className="other-cloth">
                <legend>{`The ${called}`}</legend>
                <div className="fields">
                  <ClothFields unit={unit} at={[name]} called="Name" />
                  <Form.Item
                    name={[name, 'of']}
                    label="Cut from it"
                    className="full"
                    extra="A whole part is drafted and sewn for it; panels of a kind are cut from it and keep their shape."
                  >
                    <Select mode="multiple" options={choices} optionFilterProp="label" />
                  </Form.Item>
                </div>
                <Button onClick={() => remove(name)}>Remove {called}</Button>
              </fieldset>
            );
          })}
          {rows.length < OTHERS.length && (
            <Button className="add-cloth" onClick={() => add({ stretch: 0, stretchAlong: 0, of: [] })}>
              Add {CLOTH_NAME[OTHERS[rows.length]!]}
            </Button>
          )}
        </>
      )}
    </Form.List>
  );
}
