import { may } from '@rocchetto/contract/may.ts';
import { timeIn } from '@rocchetto/core/dates/studio-day.ts';
import { useEffect, useRef, useState } from 'react';
import { Link, Navigate, NavLink, Outlet, useLocation } from 'react-router';
import { problemOf } from '../api/problem.ts';
import { PendingReadings } from '../measuring/PendingReadings.tsx';
import { forgetTold, useToldAt } from '../offline/connection.ts';
import { Problem } from '../shared/Problem.tsx';
import { FindLater } from './FindLater.tsx';
import { MeContext } from './me.ts';
import { ShortcutList } from './Shortcuts.tsx';
import { useMeQuery, useSignOutMutation } from './session.ts';
import { useLive } from './useLive.ts';

const initials = (name: string) =>
  name
    .split(/\s+/)
    .map((w) => w[0])
    .slice(0, 2)
    .join('');

/** Tells the styles how high the line at the window’s foot is, so that what else is told stands above it. */
function room(line: HTMLElement | null) {
  if (!line) return;
  const { style } = document.documentElement;
  const seen = new ResizeObserver(() => style.setProperty('--told', `${line.offsetHeight}px`));
  seen.observe(line);
  return () => {
    seen.disconnect();
    style.removeProperty('--told');
  };
}

/** The slim band above every place, and who is signed in. */
export function Frame() {
  const toldAt = useToldAt();
  // While the book cannot be reached it is asked for again and again; its answer ends the notice.
  const {
    data: me,
    error,
    isLoading,
    refetch,
  } = useMeQuery(undefined, {
    pollingInterval: toldAt ? 5_000 : 0,
  });
  const { pathname, search } = useLocation();
  const [signOut] = useSignOutMutation();
  const [finding, setFinding] = useState(false);
  const work = useRef<HTMLDivElement>(null);
  const signedOut = error !== undefined && problemOf(error).status === 401;
  useLive(me !== undefined && !signedOut);
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new place closes the find row of a phone
  useEffect(() => setFinding(false), [pathname]);
  // A new place is told to a screen reader by moving the focus there.
  const first = useRef(true);
  useEffect(() => {
    if (first.current) first.current = false;
    else if (pathname) work.current?.focus();
  }, [pathname]);

  if (isLoading) return <p className="work soft">Opening the studio’s book …</p>;
  if (signedOut) return <Navigate to={`/sign-in?to=${encodeURIComponent(pathname + search)}`} replace />;
  if (!me)
    return (
      <div className="work">
        <Problem error={error} again={refetch} />
      </div>
    );
  const leave = async () => {
    await signOut();
    await forgetTold();
    window.location.assign('/sign-in');
  };
  return (
    <MeContext value={me}>
      <a className="skip" href="#work">
        To the work
      </a>
      <header className="band">
        <Link to="/orders" className="mark" aria-label="Rocchetto, to the orders">
          <img src="/favicon.svg" alt="" width="24" height="24" />
          <span>Rocchetto</span>
        </Link>
        <nav aria-label="Places">
          <NavLink to="/today">Today</NavLink>
          <NavLink to="/orders">Orders</NavLink>
          <NavLink to="/clients">Clients</NavLink>
          <NavLink to="/diary">Diary</NavLink>
          <NavLink to="/bench">Bench</NavLink>
          {may(me.role, 'staff.manage') && <NavLink to="/house">House</NavLink>}
        </nav>
        <button
          type="button"
          className="quiet tofind"
          aria-expanded={finding}
          onClick={() => setFinding(!finding)}
        >
          find
        </button>
        <div className={finding ? 'grow finding' : 'grow'}>
          <FindLater key={String(finding)} begin={finding} />
        </div>
        {may(me.role, 'session.write') && <PendingReadings />}
        <ShortcutList />
        <details className="who">
          <summary
            className="initials"
            aria-label={`Signed in: ${me.name}, ${me.role}`}
            title={`${me.name}, ${me.role}`}
          >
            {initials(me.name)}
          </summary>
          <div className="card">
            <p>
              {me.name} <span className="soft">{me.role}</span>
            </p>
            <button type="button" className="quiet" onClick={leave}>
              Sign out
            </button>
          </div>
        </details>
      </header>
      {toldAt && (
        <p className="told" role="status" ref={room}>
          The studio’s book cannot be reached. You see what it said at {timeIn(me.timeZone, toldAt)}; readings
          and fittings are kept on this device and sent once it is back.
        </p>
      )}
      <div ref={work} tabIndex={-1} className="outlet">
        <Outlet />
      </div>
    </MeContext>
  );
}
