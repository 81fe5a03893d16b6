/** The free place on the rack: drop, choose or paste a page. */
import { useRef, useState } from 'react';
import type { ChangeEvent } from 'react';
import { fromList } from './bring.ts';
import type { NamedFile } from './bring.ts';

export interface BringPageProps {
  first: boolean;
  busy: string | null;
  over: boolean;
  onFiles(files: readonly NamedFile[]): void;
  onPaste(html: string): void;
}

export function BringPage({ first, busy, over, onFiles, onPaste }: BringPageProps) {
  const file = useRef<HTMLInputElement>(null);
  const folder = useRef<HTMLInputElement>(null);
  const [pasting, setPasting] = useState(false);
  const [html, setHtml] = useState('');
  const take = (e: ChangeEvent<HTMLInputElement>) => {
    if (e.target.files?.length) onFiles(fromList(e.target.files));
    e.target.value = '';
  };
  return (
    <div className={`bring${first ? ' first' : ''}${over ? ' over' : ''}`}>
      <div className="batten" />
      <div className="bring-card">
        <h2>{first ? 'Hang up your first page' : 'Bring a page'}</h2>
        <p>
          Drop it here: an HTML file, a folder, or a zip.{' '}
          {first && 'Any page will do, the longer the better.'}
        </p>
        {busy ? (
          <p role="status">
            <progress className="progress w-full" /> {busy}
          </p>
        ) : pasting ? (
          <form
            onSubmit={(e) => {
              e.preventDefault();
              onPaste(html);
              setPasting(false);
              setHtml('');
            }}
          >
            <textarea
              className="field paste"
              aria-label="HTML of the page"
              autoFocus
              placeholder="<!doctype html> …"
              value={html}
              onChange={(e) => setHtml(e.target.value)}
            />
            <div className="bring-buttons">
              <button type="submit" className="btn main" disabled={!html.trim()}>
                Hang it up
              </button>
              <button type="button" className="btn tall" onClick={() => setPasting(false)}>
                Back
              </button>
            </div>
          </form>
        ) : (
          <div className="bring-buttons">
            <button type="button" className="btn tall" onClick={() => file.current?.click()}>
              Choose a file
            </button>
            <button type="button" className="btn tall" onClick={() => folder.current?.click()}>
              Choose a folder
            </button>
            <button type="button" className="btn tall" onClick={() => setPasting(true)}>
              Paste HTML
            </button>
          </div>
        )}
        <p className="small">It is only read. Nothing in it changes before you hand off.</p>
        <input
          ref={file}
          type="file"
          hidden
          accept=".html,.htm,.xhtml,.zip"
          aria-label="HTML file or zip"
          data-bring="file"
          onChange={take}
        />
        {/* The attribute is not in React's types. */}
        <input
          ref={folder}
          type="file"
          hidden
          aria-label="Folder"
          data-bring="folder"
          {...{ webkitdirectory: '' }}
          onChange={take}
        />
      </div>
    </div>
  );
}
