import { CLOTH_TRAITS, TRAIT_WORDS } from '@rocchetto/core';
import { Checkbox, Form } from 'antd';

/** What a cloth may be beside its width and stretch: each changes marks, seams or how panels are laid. */
export const ClothTraits = ({ at }: { readonly at: readonly (string | number)[] }) => (
  <fieldset className="full cloth-traits">
    <legend>The cloth is</legend>
    {CLOTH_TRAITS.map((t) => (
      <Form.Item key={t} name={[...at, t]} valuePropName="checked" noStyle>
        <Checkbox>{TRAIT_WORDS[t]}</Checkbox>
      </Form.Item>
    ))}
  </fieldset>
);
