import { Link } from 'react-router';

/** What is shown where an address names something that is not there. */
export const Gone = ({
  what,
  name,
  to,
  all,
}: {
  what: string;
  name: string;
  /** Where all of them are, and what that says. */
  to: string;
  all: string;
}) => (
  <div className="page">
    <h1>
      There is no {what} called {name}
    </h1>
    <p className="note">It may have been renamed or removed. Undo brings it back.</p>
    <Link to={to}>{all}</Link>
  </div>
);
