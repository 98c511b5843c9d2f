import type { PlanChoices, PlanStep, PlanView } from '@rocchetto/contract/plan.ts';
import { SKILLS, type Skill } from '@rocchetto/core/diary/kinds.ts';
import { Input, InputNumber, Select } from 'antd';
import { useId, useState } from 'react';
import { useChoosePlanMutation } from '../../api/plan.ts';
import { Problem } from '../../shared/Problem.tsx';
import { ActionButton } from '../../shared/pieces.tsx';

type Own = PlanChoices['own'][number];

/** Changes the minutes of one step, strikes it or says that it is done; each with its reason, on the record. */
export function StepForm({
  id,
  plan,
  step,
  onDone,
}: {
  id: number;
  plan: PlanView;
  step: PlanStep;
  onDone: () => void;
}) {
  const field = useId();
  const own = plan.choices.own.find((o) => o.id === step.id);
  const [minutes, setMinutes] = useState<number | null>(step.minutes);
  const [reason, setReason] = useState(own?.reason ?? '');
  const [choose, { error, isLoading }] = useChoosePlanMutation();
  const keep = async (more: Partial<PlanChoices>) => {
    const done = await choose({ id, version: plan.version, choices: { ...plan.choices, ...more } });
    if ('data' in done) onDone();
  };
  const others = plan.choices.own.filter((o) => o.id !== step.id);
  const set = (to: number | null): Own => ({ id: step.id, minutes: to, reason, added: own?.added ?? null });
  return (
    <form
      className="slip noprint"
      aria-label={`Edit ${step.name}`}
      onSubmit={(e) => {
        e.preventDefault();
        void keep({ own: [...others, set(minutes ?? 0)] });
      }}
    >
      <h3>{step.name}</h3>
      <Problem error={error} />
      <div className="fields">
        <div>
          <label htmlFor={`${field}-m`}>Minutes for this garment</label>
          <InputNumber
            id={`${field}-m`}
            min={0}
            max={6000}
            precision={0}
            value={minutes}
            onChange={setMinutes}
          />
        </div>
        <div>
          <label htmlFor={`${field}-r`}>Reason</label>
          <Input
            id={`${field}-r`}
            value={reason}
            maxLength={500}
            onChange={(e) => setReason(e.target.value)}
          />
        </div>
      </div>
      <div className="row acts">
        <ActionButton look="take" type="submit" busy={isLoading}>
          Save minutes
        </ActionButton>
        <ActionButton
          look="ask"
          busy={isLoading}
          onClick={() => void keep({ done: [...plan.choices.done, { step: step.id, on: plan.today }] })}
        >
          Mark as done
        </ActionButton>
        <ActionButton
          look="quiet"
          busy={isLoading}
          onClick={() => void keep({ own: own?.added ? others : [...others, set(null)] })}
        >
          {own?.added ? 'Remove step' : 'Strike step'}
        </ActionButton>
        {own && !own.added && (
          <ActionButton look="quiet" busy={isLoading} onClick={() => void keep({ own: others })}>
            Back to the usual time
          </ActionButton>
        )}
        <ActionButton look="quiet" onClick={onDone}>
          Cancel
        </ActionButton>
      </div>
    </form>
  );
}

/** Something this garment needs that the plan does not know of: beads, a dyer, a second pair of hands. */
export function AddStep({ id, plan }: { id: number; plan: PlanView }) {
  const field = useId();
  const [open, setOpen] = useState(false);
  const [name, setName] = useState('');
  const [minutes, setMinutes] = useState<number | null>(60);
  const [skill, setSkill] = useState<Skill>('beading');
  const [after, setAfter] = useState(plan.steps.find((s) => s.id === 'sew')?.id ?? plan.steps[0]?.id ?? '');
  const [reason, setReason] = useState('');
  const [choose, { error, isLoading }] = useChoosePlanMutation();
  if (!open)
    return (
      <ActionButton look="quiet" className="noprint" onClick={() => setOpen(true)}>
        Add a step …
      </ActionButton>
    );
  const free = Array.from({ length: 41 }, (_, n) => `own-${n + 1}`).find(
    (o) => !plan.choices.own.some((w) => w.id === o),
  )!;
  const send = async () => {
    const made: Own = { id: free, minutes: minutes ?? 0, reason, added: { name, after, skill } };
    const done = await choose({
      id,
      version: plan.version,
      choices: { ...plan.choices, own: [...plan.choices.own, made] },
    });
    if ('data' in done) setOpen(false);
  };
  return (
    <form
      className="slip noprint"
      aria-label="Add a step"
      onSubmit={(e) => {
        e.preventDefault();
        void send();
      }}
    >
      <h3>Add a step</h3>
      <Problem error={error} />
      <div className="fields">
        <div>
          <label htmlFor={`${field}-n`}>What is to be done</label>
          <Input
            id={`${field}-n`}
            value={name}
            maxLength={80}
            placeholder="e.g. sew on the beads"
            onChange={(e) => setName(e.target.value)}
          />
        </div>
        <div>
          <label htmlFor={`${field}-m`}>Minutes</label>
          <InputNumber
            id={`${field}-m`}
            min={0}
            max={6000}
            precision={0}
            value={minutes}
            onChange={setMinutes}
          />
        </div>
        <div>
          <label htmlFor={`${field}-s`}>Skill</label>
          <Select
            id={`${field}-s`}
            value={skill}
            onChange={setSkill}
            options={SKILLS.map((k) => ({ value: k, label: k }))}
          />
        </div>
        <div>
          <label htmlFor={`${field}-a`}>After</label>
          <Select
            id={`${field}-a`}
            value={after}
            onChange={setAfter}
            options={plan.steps.map((s) => ({ value: s.id, label: s.name }))}
          />
        </div>
        <div>
          <label htmlFor={`${field}-r`}>Reason</label>
          <Input
            id={`${field}-r`}
            value={reason}
            maxLength={500}
            onChange={(e) => setReason(e.target.value)}
          />
        </div>
      </div>
      <div className="row acts">
        <ActionButton look="take" type="submit" busy={isLoading}>
          Add step
        </ActionButton>
        <ActionButton look="quiet" onClick={() => setOpen(false)}>
          Cancel
        </ActionButton>
      </div>
    </form>
  );
}
