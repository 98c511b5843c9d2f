import { may } from '@rocchetto/contract/may.ts';
import { timeIn } from '@rocchetto/core/dates/studio-day.ts';
import { useEffect, useRef, useState } from 'react';
import { useDispatch } from 'react-redux';
import { Link, Navigate, NavLink, Outlet, useLocation } from 'react-router';
import { api, setCsrfToken } from '../api/base.ts';
import { useMeQuery } from '../api/me.ts';
import { setAuthor, whenStrange } from '../offline/author.ts';
import { useToldAt } from '../offline/connection.ts';
import { Pending } from '../parts/outbox/Pending.tsx';
import { readings } from '../parts/outbox/queue.ts';
import { Refusals } from '../parts/outbox/Refusals.tsx';
import { isSignOut, owesSignOut, signOutHere } from '../places/sign-in/sign-out.ts';
import { closeHelp } from '../shared/help.ts';
import { MeContext } from '../shared/me.ts';
import { Problem } from '../shared/Problem.tsx';
import { ActionButton } from '../shared/pieces.tsx';
import { problemOf } from '../shared/problem-of.ts';
import { FindLater } from './FindLater.tsx';
import { Help } from './Help.tsx';
import { LockScreen, useLock } from './Lock.tsx';
import { UndoBar } from './UndoBar.tsx';
import { useLive } from './useLive.ts';
import { WhoCard } from './WhoCard.tsx';

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
  const [finding, setFinding] = useState(false);
  const work = useRef<HTMLDivElement>(null);
  const dispatch = useDispatch();
  const status = error === undefined ? 0 : problemOf(error).status;
  const signedOut = status === 401;
  const { locked, lock, open } = useLock(me?.idleMinutes, status === 423);
  // What lies over the page would lie over the lock.
  useEffect(() => {
    if (locked) closeHelp();
  }, [locked]);
  useLive(me !== undefined && !signedOut && !locked && !me.factorOwed);
  useAuthor(signedOut ? undefined : me, refetch);
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new place closes the find row of a phone
  useEffect(() => setFinding(false), [pathname]);
  // A new place is told to a screen reader by moving the focus there.
  const first = useRef(true);
  useEffect(() => {
    // The front page only leads on: whoever comes in begins at the top.
    if (first.current) first.current = pathname === '/';
    else if (pathname) work.current?.focus();
  }, [pathname]);

  if (owesSignOut()) return <Navigate to="/sign-in" replace />;
  if (isLoading) return <p className="work soft">Loading the studio …</p>;
  if (signedOut) return <Navigate to={`/sign-in?to=${encodeURIComponent(pathname + search)}`} replace />;
  const leave = async () => {
    // What has reached the book leaves this device with the one who wrote it.
    await Promise.race([readings().leave(), new Promise((r) => setTimeout(r, 2000))]).catch(() => undefined);
    await signOutHere();
    window.location.assign('/sign-in');
  };
  const unlocked = (csrf: string) => {
    if (csrf) setCsrfToken(csrf);
    open();
    dispatch(api.util.invalidateTags(['Me']));
  };
  if (locked && !me)
    return <LockScreen name={lockedName(error)} onOpen={unlocked} onLeave={() => void leave()} />;
  if (!me)
    return (
      <div className="work">
        <Problem error={error} again={refetch} />
      </div>
    );
  const page = (
    <MeContext value={me}>
      <a className="skip" href="#work">
        Skip to content
      </a>
      <header className="band">
        <Link to="/orders" className="mark" aria-label="Rocchetto, all orders">
          <img src="/favicon.svg" alt="" width="24" height="24" />
          <span>Rocchetto</span>
        </Link>
        <nav aria-label="Places">
          <NavLink to="/today">Today</NavLink>
          <NavLink to="/orders">Orders</NavLink>
          <NavLink to="/clients">Clients</NavLink>
          <NavLink to="/diary">Diary</NavLink>
          <NavLink to="/bench">Bench</NavLink>
          {may(me.role, 'staff.manage') && <NavLink to="/house">Studio settings</NavLink>}
        </nav>
        <ActionButton
          look="quiet"
          className="tofind"
          aria-expanded={finding}
          onClick={() => setFinding(!finding)}
        >
          find
        </ActionButton>
        <div className={finding ? 'grow finding' : 'grow'}>
          <FindLater key={String(finding)} begin={finding} />
        </div>
        {(may(me.role, 'session.write') || may(me.role, 'alter.ask')) && <Pending />}
        {!locked && <Help />}
        <WhoCard lock={lock} leave={() => void leave()} />
      </header>
      {toldAt && (
        <p className="told" role="status" ref={room}>
          Can’t reach the server. You see what was loaded at {timeIn(me.timeZone, toldAt)}. Measurements and
          fitting changes are saved on this device and sent when it is back.
        </p>
      )}
      <Refusals />
      <div ref={work} tabIndex={-1} className="outlet">
        {me.factorOwed && pathname !== '/account' ? (
          <Navigate to="/account" replace />
        ) : me.firstSteps === 'set-up' && pathname !== '/set-up' ? (
          <Navigate to="/set-up" replace />
        ) : pathname === '/' ? (
          // Each lands where their work is.
          <Navigate to={me.role === 'seamstress' ? '/bench' : '/orders'} replace />
        ) : (
          <Outlet />
        )}
      </div>
      {!locked && <UndoBar />}
    </MeContext>
  );
  // The page stays where it is beneath the lock: what is being written in it is not touched.
  return (
    <>
      <div inert={locked}>{page}</div>
      {locked && <LockScreen name={me.name} onOpen={unlocked} onLeave={() => void leave()} />}
    </>
  );
}

/** Whose screen it is, from the server's own sentence: after a reload nothing else is answered. */
const lockedName = (error: unknown) =>
  String((problemOf(error).theirs as { name?: string } | undefined)?.name ?? '');

/**
 * What is kept on this device is written by whoever is signed in here, and sent under their sign-in only. A page whose
 * sign-in has become another's begins anew: nothing of the one before stays on the screen.
 */
function useAuthor(me: { readonly id: number; readonly name: string } | undefined, ask: () => unknown) {
  const was = useRef<number>(undefined);
  useEffect(() => {
    setAuthor(me ?? null);
    if (me) {
      if (was.current !== undefined && was.current !== me.id) window.location.reload();
      was.current = me.id;
      // The queue begins with the page, wherever it is: what waits for this hand goes.
      readings();
    }
  }, [me]);
  useEffect(() => {
    whenStrange(() => void ask());
    const elsewhere = (e: StorageEvent) => {
      if (isSignOut(e)) window.location.assign('/sign-in');
    };
    window.addEventListener('storage', elsewhere);
    return () => window.removeEventListener('storage', elsewhere);
  }, [ask]);
}
