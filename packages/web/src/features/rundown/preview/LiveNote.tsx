/** Over the preview of a page under development that has not said hello yet: where it is looked for, and the line that it needs. */
import { connectTag } from '../../../preview/connect-tag.ts';
import { notify, notifyError } from '../../../ui/notices.tsx';

export function LiveNote({
  live,
  refused,
  again,
}: {
  live: { url: string; code: string };
  refused: string | null;
  again(): void;
}) {
  const tag = connectTag(live.code);
  return (
    <div className="preview-note live">
      <p>
        <b>Waiting for {live.url}</b>
      </p>
      <p>
        {refused === 'wrong code'
          ? 'The page is there, but its script tag has another pairing code. Use this one:'
          : refused === 'other origin'
            ? 'The page has gone to another address than it was connected under.'
            : 'Start your development server, and put this line into the page’s HTML while you work on it:'}
      </p>
      <pre className="live-tag" tabIndex={0} aria-label="Line for the page’s HTML">
        {tag}
      </pre>
      <p className="live-buttons">
        <button
          type="button"
          className="btn main"
          onClick={() =>
            void navigator.clipboard.writeText(tag).then(() => notify('The line is copied.'), notifyError)
          }
        >
          Copy the line
        </button>
        <button type="button" className="btn" onClick={() => again()}>
          Look again
        </button>
      </p>
    </div>
  );
}
