import { Link, useRouteError } from 'react-router';

export function NoSuchPage() {
  return (
    <main className="work" id="work">
      <div>
        <h1>Nothing lies here</h1>
        <p>There is no page at this address. It may have been typed wrongly.</p>
        <Link to="/orders">To the orders</Link>
      </div>
    </main>
  );
}

/** When a page breaks while it is drawn: what happened, what is kept, what to do. */
export function BrokenPage() {
  const error = useRouteError();
  return (
    <main className="work" id="work">
      <div role="alert">
        <h1>This page broke</h1>
        <p>
          The program made a mistake while drawing it. What was saved is kept, and readings wait on this
          device.
        </p>
        <p className="soft">{error instanceof Error ? error.message : ''}</p>
        <a href={window.location.href}>Open it again</a>
      </div>
    </main>
  );
}

/** While the first page's own code arrives. */
export const Opening = () => <p className="work soft">Opening …</p>;
