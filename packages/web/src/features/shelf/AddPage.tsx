/** The free place on the rack: drop, choose or paste a page. */
import { useRef, useState } from 'react';
import type { ChangeEvent } from 'react';
import { fromList } from './add-page.ts';
import type { NamedFile } from './add-page.ts';

export interface AddPageProps {
  first: boolean;
  busy: string | null;
  /** gives up what is under way */
  onCancel(): void;
  over: boolean;
  onFiles(files: readonly NamedFile[]): void;
  onPaste(html: string): void;
  /** a page that a development server on this machine shows */
  onConnect(url: string): void;
}

export function AddPage({ first, busy, onCancel, over, onFiles, onPaste, onConnect }: AddPageProps) {
  const file = useRef<HTMLInputElement>(null);
  const folder = useRef<HTMLInputElement>(null);
  const [pasting, setPasting] = useState(false);
  const [connecting, setConnecting] = useState(false);
  const [url, setUrl] = useState('http://localhost:5173/');
  const [html, setHtml] = useState('');
  const take = (e: ChangeEvent<HTMLInputElement>) => {
    if (e.target.files?.length) onFiles(fromList(e.target.files));
    e.target.value = '';
  };
  return (
    <div className={`bring${first ? ' first' : ''}${over ? ' over' : ''}`}>
      <div className="batten" />
      <div className="bring-card">
        <h2>{first ? 'Add your first page' : 'Add a page'}</h2>
        <p>
          Drop it here: an HTML file, a folder, or a zip.{' '}
          {first && 'Any page will do, the longer the better.'}
        </p>
        {busy ? (
          <p role="status">
            <progress className="progress w-full" /> {busy}
            <button type="button" className="btn small" onClick={onCancel}>
              Cancel
            </button>
          </p>
        ) : connecting ? (
          <form
            onSubmit={(e) => {
              e.preventDefault();
              onConnect(url.trim());
            }}
          >
            <label className="bring-url">
              Address of your development server
              <input
                className="field"
                type="url"
                required
                autoFocus
                pattern="https?://(localhost|127\.0\.0\.1)(:\d+)?(/.*)?"
                title="A page on this machine, such as http://localhost:5173/"
                value={url}
                onChange={(e) => setUrl(e.target.value)}
              />
            </label>
            <div className="bring-buttons">
              <button type="submit" className="btn main">
                Connect
              </button>
              <button type="button" className="btn tall" onClick={() => setConnecting(false)}>
                Back
              </button>
            </div>
          </form>
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
                Add it
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
            <button type="button" className="btn tall" onClick={() => setConnecting(true)}>
              Connect a dev server
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
