/** Over the preview of a page under development that has not said hello yet: where it is looked for, and the line that it needs. */
import { connectAddress, connectTag } from '../../../preview/connect-tag.ts';
import { notify, notifyError } from '../../../ui/notices.tsx';
import { liveNoteText } from './text.ts';

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
        <b>{liveNoteText.waitingFor(live.url)}</b>
      </p>
      <p>
        {refused === 'wrong code'
          ? liveNoteText.thePageIsThere
          : refused === 'other origin'
            ? liveNoteText.thePageHasGone
            : liveNoteText.startYourDevelopmentServer}
      </p>
      <pre className="live-tag" tabIndex={0} aria-label={liveNoteText.lineForThePages}>
        {tag}
      </pre>
      <p className="live-buttons">
        <button
          type="button"
          className="btn main"
          onClick={() =>
            void navigator.clipboard
              .writeText(tag)
              .then(() => notify(liveNoteText.theLineIsCopied), notifyError)
          }
        >
          {liveNoteText.copyTheLine}
        </button>
        <button type="button" className="btn" onClick={() => again()}>
          {liveNoteText.lookAgain}
        </button>
      </p>
      <details className="live-vite">
        <summary>{liveNoteText.withVite}</summary>
        <p>{liveNoteText.thePluginPutsIt}</p>
        <pre className="live-tag" tabIndex={0}>
          {liveNoteText.plugin}
        </pre>
        <p>{liveNoteText.andInEnvLocal}</p>
        <pre className="live-tag" tabIndex={0}>{`LYVEK_CONNECT=${connectAddress(live.code)}`}</pre>
      </details>
    </div>
  );
}
