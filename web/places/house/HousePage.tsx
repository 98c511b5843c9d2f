import type { HouseSettings } from '@rocchetto/contract';
import { Form } from 'antd';
import { Link } from 'react-router';
import { useChangeHouseMutation, useHouseQuery } from '../../api/house.ts';
import { useStaffQuery } from '../../api/staff.ts';
import { Facts } from '../../shared/Facts.tsx';
import { useMay } from '../../shared/me.ts';
import { Place } from '../../shared/Place.tsx';
import { Problem } from '../../shared/Problem.tsx';
import { ActionButton } from '../../shared/pieces.tsx';
import { useSectionOfAddress } from '../../shared/useSectionOfAddress.ts';
import { useVersionedSave } from '../../shared/useVersionedSave.tsx';
import { Changes } from './Changes.tsx';
import { KindsTable } from './KindsTable.tsx';
import { MailServerForm } from './MailServerForm.tsx';
import { RoomsAndDays } from './RoomsAndDays.tsx';
import { StaffSection } from './StaffSection.tsx';
import { DATE_WORD, PAPER_WORD, STUDIO_LABELS, StudioFields, UNIT_WORD, WEEK_WORD } from './StudioFields.tsx';
import { WordsTable } from './WordsTable.tsx';
import { WorkTable } from './WorkTable.tsx';

const SECTIONS = [
  ['studio', 'Studio'],
  ['staff', 'Staff'],
  ['hours-and-skills', 'Staff hours and skills'],
  ['rooms', 'Rooms, leave, closed days'],
  ['hours', 'Opening hours and appointment types'],
  ['messages', 'Message texts'],
  ['mail', 'Mail server'],
] as const;

/** Who works here and what the house goes by. The principal adds staff and hands each a link to set a passphrase, once. */
export function Component() {
  const { data: staff, error, refetch } = useStaffQuery();
  useSectionOfAddress(staff !== undefined);
  if (!staff) return <Place title="Studio settings" waiting={{ what: 'the staff', error, again: refetch }} />;
  return (
    <Place
      title="Studio settings"
      margin={
        <>
          <nav aria-label="Sections">
            <h2>Sections</h2>
            <ul className="why">
              {SECTIONS.map(([id, words]) => (
                <li key={id}>
                  <a href={`#${id}`}>{words}</a>
                </li>
              ))}
            </ul>
          </nav>
          <section>
            <h2>Roles</h2>
            <Facts
              facts={[
                ['owner', 'everything, with staff and studio settings'],
                ['fitter', 'briefs, measuring, sheets and alterations; clients, orders and the diary'],
                [
                  'seamstress',
                  'does and checks alterations; sees orders, sheets and the diary; no addresses, no body measurements',
                ],
                [
                  'front desk',
                  'clients, orders, the diary and garments brought in; sees sheets, changes none',
                ],
              ]}
            />
          </section>
        </>
      }
    >
      <h1>Studio settings</h1>
      <p>
        <Link to="/house/rules">Studio rules</Link>: ease, allowances, darts, rounding, ways of measuring,
        ages and lead times. <Link to="/house/bench">Bench times, prices and fitting signs</Link>: how long
        bench work takes, what it costs, and the signs offered at a fitting.{' '}
        <Link to="/how-we-measure">How we measure</Link>, and{' '}
        <Link to="/whose-tape">accuracy of measuring</Link>. <Link to="/house/security">Security</Link>: when
        screens lock, who needs a second factor, and sign-ins and refusals.
      </p>
      <div id="studio">
        <h2>Studio</h2>
        <Settings />
      </div>
      <div id="staff">
        <StaffSection />
      </div>
      <div id="hours-and-skills">
        <WorkTable />
      </div>
      <div id="rooms">
        <RoomsAndDays />
      </div>
      <div id="hours">
        <KindsTable />
      </div>
      <div id="messages">
        <WordsTable />
      </div>
      <div id="mail">
        <MailServerForm />
      </div>
      <Changes />
    </Place>
  );
}

function Settings() {
  const { data: house, error, refetch } = useHouseQuery();
  const [change, changing] = useChangeHouseMutation();
  const mayWrite = useMay('house.write');
  const { editing, version, edit, leave, save, problem } = useVersionedSave<HouseSettings>({
    now: house?.version ?? 0,
    send: (w, onTop) => change({ ...w, version: onTop }),
    state: changing,
    labels: STUDIO_LABELS,
    refetch,
  });
  if (!house) return <Problem error={error} again={refetch} />;
  if (!editing)
    return (
      <>
        <Facts
          facts={[
            ['Studio name', house.studio],
            ['Address', house.address || '—'],
            ['Phone', house.phone || '—'],
            ['E-mail', house.email || '—'],
            ['Unit', UNIT_WORD[house.unit]],
            ['Paper', PAPER_WORD[house.paper]],
            ['Dates', DATE_WORD[house.dateOrder]],
            ['Currency sign', house.currency || '—'],
            ['Week starts on', WEEK_WORD[house.weekStarts]],
            ['Time zone', house.timeZone],
            ['Checking', house.ownCheck ? 'a person may check their own work' : 'someone else must check'],
          ]}
        />
        {mayWrite && (
          <div className="row acts">
            <ActionButton look="plain" onClick={edit}>
              Edit studio
            </ActionButton>
          </div>
        )}
      </>
    );
  return (
    <>
      {problem}
      <Form
        layout="vertical"
        requiredMark={false}
        initialValues={house}
        onFinish={(w: HouseSettings) => save(w, version)}
      >
        <StudioFields />
        <ActionButton look="take" type="submit" busy={changing.isLoading}>
          Save
        </ActionButton>
        <ActionButton look="quiet" onClick={leave}>
          Cancel
        </ActionButton>
      </Form>
    </>
  );
}
