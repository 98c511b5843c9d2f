import { may } from '@rocchetto/contract';
import { lazy, Suspense, useEffect, useRef } from 'react';
import { Link, Navigate, NavLink, Outlet, useLocation, useNavigate } from 'react-router';
import { useMeQuery, useSignOutMutation } from '../api/api.ts';
import { problemOf } from '../api/problem.ts';
import { Problem } from '../shared/Problem.tsx';
import { FindField } from './FindField.tsx';
import { MeContext } from './me.ts';
import { ShortcutList } from './Shortcuts.tsx';

const PendingReadings = lazy(() => import('../measuring/PendingReadings.tsx'));

const initials = (name: string) =>
  name
    .split(/\s+/)
    .map((w) => w[0])
    .slice(0, 2)
    .join('');

/** The slim band above every place, and who is signed in. */
export function Frame() {
  const { data: me, error, isLoading, refetch } = useMeQuery();
  const location = useLocation();
  const navigate = useNavigate();
  const [signOut] = useSignOutMutation();
  const work = useRef<HTMLDivElement>(null);
  const { pathname } = location;
  // A new place is told to a screen reader by moving the focus there.
  const first = useRef(true);
  useEffect(() => {
    if (first.current) first.current = false;
    else if (pathname) work.current?.focus();
  }, [pathname]);

  if (isLoading) return <p className="work soft">Opening the studio’s book …</p>;
  if (error && problemOf(error).status === 401)
    return <Navigate to={`/sign-in?to=${encodeURIComponent(location.pathname + location.search)}`} replace />;
  if (!me)
    return (
      <div className="work">
        <Problem error={error} again={refetch} />
      </div>
    );
  const leave = async () => {
    await signOut();
    navigate('/sign-in');
    window.location.reload();
  };
  return (
    <MeContext value={me}>
      <a className="skip" href="#work">
        To the work
      </a>
      <header className="band">
        <Link to="/orders" className="mark" aria-label="Rocchetto, to the orders">
          <img src="/favicon.svg" alt="" width="24" height="24" />
          Rocchetto
        </Link>
        <nav aria-label="Places">
          <NavLink to="/orders">Orders</NavLink>
          <NavLink to="/clients">Clients</NavLink>
          {may(me.role, 'staff.manage') && <NavLink to="/house">House</NavLink>}
        </nav>
        <div className="grow">
          <FindField />
        </div>
        {may(me.role, 'session.write') && (
          <Suspense>
            <PendingReadings />
          </Suspense>
        )}
        <ShortcutList />
        <span
          className="initials"
          title={`${me.name}, ${me.role}`}
          role="img"
          aria-label={`Signed in: ${me.name}, ${me.role}`}
        >
          {initials(me.name)}
        </span>
        <button type="button" className="quiet" onClick={leave}>
          Sign out
        </button>
      </header>
      <div ref={work} tabIndex={-1} className="outlet">
        <Outlet />
      </div>
    </MeContext>
  );
}
