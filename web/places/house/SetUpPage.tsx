import type { HouseSettings } from '@rocchetto/contract';
import { SKILLS, type Skill } from '@rocchetto/core/diary/kinds.ts';
import type { SheetUnit } from '@rocchetto/core/units/length.ts';
import { CM_ROUNDING, INCH_ROUNDING } from '@rocchetto/core/units/rounding.ts';
import { ROUNDING_CHOICES, roundingOf, roundingWord } from '@rocchetto/core/units/rounding-choices.ts';
import { Checkbox, Form, Input } from 'antd';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { useChangeWorkMutation, useDiaryHouseQuery } from '../../api/hours.ts';
import { useChangeHouseMutation, useHouseQuery } from '../../api/house.ts';
import { useMe } from '../../shared/me.ts';
import { Place } from '../../shared/Place.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { ActionButton, SelectField } from '../../shared/pieces.tsx';
import { StudioFields } from './StudioFields.tsx';

/** Units and dates as this browser’s place writes them: a guess to begin with, shown before it is saved. */
function guessed(): Partial<HouseSettings> {
  const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
  const american = /^America\/(New_York|Chicago|Denver|Los_Angeles|Phoenix|Anchorage|Detroit)|^US\//.test(
    zone,
  );
  return {
    timeZone: zone,
    ...(american ? { unit: 'in', paper: 'Letter', dateOrder: 'mdy', currency: '$', weekStarts: 7 } : {}),
  };
}

/** What somebody does who works alone: proposed, until they say otherwise. */
const ALONE: Skill[] = ['measuring', 'fitting', 'tailoring', 'desk'];

/** In which steps figures are marked: of the unit that is chosen above it. */
function MarkedIn() {
  const form = Form.useFormInstance();
  const unit: SheetUnit = Form.useWatch('unit', form) ?? form.getFieldValue('unit') ?? 'cm';
  const usual = roundingWord(unit === 'in' ? INCH_ROUNDING : CM_ROUNDING);
  const written: string | undefined = Form.useWatch('rounding', form);
  // A step of the other unit goes with it.
  const stands = written && roundingOf(written).unit === unit ? written : usual;
  return (
    <>
      <Form.Item label="Figures are marked" htmlFor="set-up-rounding">
        <SelectField
          id="set-up-rounding"
          value={stands}
          onChange={(e) => form.setFieldValue('rounding', e.target.value)}
        >
          {ROUNDING_CHOICES.filter((c) => roundingOf(c.value).unit === unit).map((c) => (
            <option key={c.value} value={c.value}>
              {c.label}
            </option>
          ))}
        </SelectField>
      </Form.Item>
      <Form.Item name="rounding" hidden>
        <Input />
      </Form.Item>
    </>
  );
}

/** The studio’s first minute: how it is called and reached, and in what it measures, prints and counts. */
export function Component() {
  const { data: house, error, refetch } = useHouseQuery();
  const { data: diary, error: noStaff } = useDiaryHouseQuery();
  const me = useMe();
  const [save, saving] = useChangeHouseMutation();
  const [work, working] = useChangeWorkMutation();
  const [skills, setSkills] = useState<Skill[] | null>(null);
  const navigate = useNavigate();
  if (!house || !diary)
    return (
      <Place
        title="Set up your studio"
        waiting={{ what: 'the settings', error: error ?? noStaff, again: refetch }}
      />
    );
  const own = diary.staff.find((s) => s.id === me.id);
  const does = skills ?? (own && own.skills.length > 0 ? [...own.skills] : ALONE);
  return (
    <Place
      title="Set up your studio"
      margin={
        <section>
          <h2>Good to know</h2>
          <p className="soft">
            Everything here can be changed later in studio settings. Each person and each field can still use
            the other unit.
          </p>
        </section>
      }
    >
      <h1>Set up your studio</h1>
      <Problem error={saving.error ?? working.error} />
      <Form
        layout="vertical"
        requiredMark={false}
        initialValues={{ ...house, studio: '', ...guessed() }}
        onFinish={async (w: HouseSettings & { rounding?: string }) => {
          if (own) {
            const { id, version, initials, mark, hours } = own;
            if ('error' in (await work({ id, version, initials, mark, hours: [...hours], skills: does })))
              return;
          }
          const { rounding, ...settings } = w;
          // What is usual for the unit needs no rule of its own.
          const marked = rounding && roundingOf(rounding).unit === w.unit ? { rounding } : {};
          const done = await save({ ...settings, ...marked, version: house.version });
          if ('data' in done) navigate('/today', { replace: true });
        }}
      >
        <StudioFields>
          <MarkedIn />
        </StudioFields>
        {own && (
          <Form.Item label="What you do yourself">
            <Checkbox.Group
              options={SKILLS.map((k) => ({ value: k, label: k === 'desk' ? 'front desk' : k }))}
              value={does}
              onChange={(v) => setSkills(v as Skill[])}
            />
          </Form.Item>
        )}
        <p>
          <ActionButton look="take" type="submit" busy={saving.isLoading || working.isLoading}>
            Save and start
          </ActionButton>
        </p>
      </Form>
    </Place>
  );
}
