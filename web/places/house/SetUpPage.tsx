import type { HouseSettings } from '@rocchetto/contract';
import { SKILLS, type Skill } from '@rocchetto/core/diary/kinds.ts';
import { Checkbox, Form } from 'antd';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { useChangeWorkMutation, useDiaryHouseQuery } from '../../api/hours.ts';
import { useChangeHouseMutation, useHouseQuery } from '../../api/house.ts';
import { useMe } from '../../shared/me.ts';
import { Place } from '../../shared/Place.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { ActionButton } from '../../shared/pieces.tsx';
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
        onFinish={async (w: HouseSettings) => {
          if (own) {
            const { id, version, initials, mark, hours } = own;
            if ('error' in (await work({ id, version, initials, mark, hours: [...hours], skills: does })))
              return;
          }
          const done = await save({ ...w, version: house.version });
          if ('data' in done) navigate('/today', { replace: true });
        }}
      >
        <StudioFields />
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
