import { useEffect } from 'react';
import { Link, useRouteError } from 'react-router';
import { opensAnew } from './patient.ts';

export function NoSuchPage() {
  return (
    <main className="work" id="work">
      <div>
        <h1>Page not found</h1>
        <p>There is no page at this address. Check it, or start from the orders.</p>
        <Link to="/orders">Go to orders</Link>
      </div>
    </main>
  );
}

/** When a page breaks while it is drawn: what happened, what is kept, what to do. */
export function BrokenPage() {
  const error = useRouteError();
  useEffect(() => {
    if (opensAnew(error, window.location.pathname, Date.now())) window.location.reload();
  }, [error]);
  return (
    <main className="work" id="work">
      <div role="alert">
        <h1>Something went wrong</h1>
        <p>This page could not be shown. What was saved is safe, and measurements are kept on this device.</p>
        <p className="soft">{error instanceof Error ? error.message : ''}</p>
        <a href={window.location.href}>Reload page</a>
      </div>
    </main>
  );
}

/** While the first page's own code arrives. */
export const Opening = () => <p className="work soft">Loading …</p>;
