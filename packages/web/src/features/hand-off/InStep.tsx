/** The style sheet that the take is kept in step with while `lyvek sync` runs; else how to begin with it. */
import { useQuery } from '@tanstack/react-query';
import type { SyncReport } from '@lyvek/api';
import { api } from '../../state/api.ts';
import { inStepText } from './text.ts';

const LOOK_MS = 2000;
const SIGNS: Record<string, string> = { '+': 'added', '-': 'removed' };
const isHeader = (line: string): boolean => /^(\+\+\+|---) /.test(line);

interface InStepProps {
  takeId: string;
  page: string;
  onCopy(text: string, what: string): void;
}

export function InStep({ takeId, page, onCopy }: InStepProps) {
  const { data } = useQuery({
    queryKey: ['sync', takeId],
    queryFn: () => api.sync({ id: takeId }),
    refetchInterval: LOOK_MS,
    retry: false,
  });
  const command = inStepText.command(page);
  return (
    <details className="support guide in-step" open={data?.sync != null || undefined}>
      <summary>
        {data?.sync ? inStepText.title[data.sync.state](data.sync.file) : inStepText.withYourOwn}
      </summary>
      {data?.sync ? (
        <Report report={data.sync} onCopy={onCopy} />
      ) : (
        <>
          <p>{inStepText.whatItDoes}</p>
          <pre>{command}</pre>
          <button type="button" className="btn small" onClick={() => onCopy(command, inStepText.theCommand)}>
            {inStepText.copy}
          </button>
        </>
      )}
    </details>
  );
}

const SENTENCES: Record<SyncReport['state'], (report: SyncReport) => string> = {
  'in-step': ({ revision, message }) => [inStepText.asOf(revision), message].filter(Boolean).join(' '),
  conflict: ({ message }) => inStepText.conflict(message),
  broken: ({ message }) => message,
};

function Report({ report, onCopy }: { report: SyncReport } & Pick<InStepProps, 'onCopy'>) {
  const { state, diff, changedAt, needs } = report;
  return (
    <>
      <p role={state === 'in-step' ? undefined : 'alert'}>{SENTENCES[state](report)}</p>
      {needs.map((n) => (
        <div key={n.file + n.code}>
          <p>
            <code>{n.file}</code> {n.why}
          </p>
          <div className="guide-code">
            <pre>{n.code}</pre>
            <button type="button" className="btn small" onClick={() => onCopy(n.code, inStepText.theCode)}>
              {inStepText.copy}
            </button>
          </div>
        </div>
      ))}
      {diff && changedAt && (
        <>
          <p>{inStepText.lastChange(new Date(changedAt).toLocaleTimeString())}</p>
          <pre className="diff">
            {diff.split('\n').map((line, i) => (
              <span key={i} className={isHeader(line) ? 'file' : SIGNS[line[0] ?? '']}>
                {`${line}\n`}
              </span>
            ))}
          </pre>
          <button type="button" className="btn small" onClick={() => onCopy(diff, inStepText.theDiff)}>
            {inStepText.copyDiff}
          </button>
        </>
      )}
    </>
  );
}
