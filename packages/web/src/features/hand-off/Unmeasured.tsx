/** A page that was not measured at the chosen size is measured here; where it does not answer, the Rundown shows why. */
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { useShownPage } from '../../preview/shown-page.ts';
import { useOpenedPage } from '../../state/opened-page.ts';
import { Unseen } from './Unseen.tsx';
import { unmeasuredText } from './text.ts';

/** ms after which the page is taken not to answer. */
const ANSWER_TIMEOUT_MS = 10_000;

export function Unmeasured() {
  const { page, take } = useOpenedPage();
  const { viewport } = useShownPage();
  const [late, setLate] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => setLate(true), ANSWER_TIMEOUT_MS);
    return () => clearTimeout(timer);
  }, []);
  const size = `${viewport.width} × ${viewport.height}`;
  return (
    <div className="empty-note">
      <Unseen key={size} at={viewport} />
      <p className="mb-3" role="status">
        {late ? unmeasuredText.thePageDoesNot(size) : unmeasuredText.measuringThePageAt(size)}
      </p>
      {late && (
        <Link className="btn" to={`/pages/${page.id}?take=${take.id}`}>
          {unmeasuredText.toTheRundown}
        </Link>
      )}
    </div>
  );
}
