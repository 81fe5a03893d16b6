/** The free place on the rack: drop, choose or paste a page. */
import { useRef, useState } from 'react';
import type { ChangeEvent } from 'react';
import { useLocation } from 'react-router';
import { fromList } from './add-page.ts';
import type { NamedFile } from './add-page.ts';
import { makeSectionsPage, SECTIONS } from './sections.ts';
import { addPageText } from './text.ts';

/** What the card asks for, where it is not simply files. */
export type AddForm = 'paste' | 'connect' | 'sections';

export interface AddPageProps {
  first: boolean;
  busy: string | null;
  /** gives up what is under way */
  onCancel(): void;
  over: boolean;
  onFiles(files: readonly NamedFile[]): void;
  onPaste(html: string): void;
  /** a page made here, from sections; it is opened at once */
  onMake(html: string): void;
  /** a page that a development server on this machine shows */
  onConnect(url: string): void;
}

/** What whoever came here has asked for already. */
const useAskedForm = (): AddForm | null =>
  (useLocation().state as { form?: AddForm | null } | null)?.form ?? null;

export function AddPage(props: AddPageProps) {
  const { first, busy, onCancel, over, onFiles, onPaste, onConnect, onMake } = props;
  const file = useRef<HTMLInputElement>(null);
  const folder = useRef<HTMLInputElement>(null);
  const [form, setForm] = useState(useAskedForm());
  const back = () => setForm(null);
  const take = (e: ChangeEvent<HTMLInputElement>) => {
    if (e.target.files?.length) onFiles(fromList(e.target.files));
    e.target.value = '';
  };
  return (
    <div className={`bring${first ? ' first' : ''}${over ? ' over' : ''}`}>
      <div className="batten" />
      <div className="bring-card">
        <h2>{first ? addPageText.addYourFirstPage : addPageText.addAPage}</h2>
        <p>
          {addPageText.dropItHereAn} {first && addPageText.anyPageWillDo}
        </p>
        {busy ? (
          <p role="status">
            <progress className="progress w-full" /> {busy}
            <button type="button" className="btn small" onClick={onCancel}>
              {addPageText.cancel}
            </button>
          </p>
        ) : form === 'connect' ? (
          <ConnectForm onConnect={onConnect} onBack={back} />
        ) : form === 'sections' ? (
          <SectionsForm onMake={onMake} onBack={back} />
        ) : form === 'paste' ? (
          <PasteForm
            onPaste={(html) => {
              onPaste(html);
              back();
            }}
            onBack={back}
          />
        ) : (
          <div className="bring-buttons">
            <button type="button" className="btn tall" onClick={() => file.current?.click()}>
              {addPageText.chooseAFile}
            </button>
            <button type="button" className="btn tall" onClick={() => folder.current?.click()}>
              {addPageText.chooseAFolder}
            </button>
            <button type="button" className="btn tall" onClick={() => setForm('paste')}>
              {addPageText.pasteHtml}
            </button>
            <button type="button" className="btn tall" onClick={() => setForm('connect')}>
              {addPageText.connectADevServer}
            </button>
            <button type="button" className="btn tall" onClick={() => setForm('sections')}>
              {addPageText.fromSections}
            </button>
          </div>
        )}
        <p className="small">{addPageText.itIsOnlyRead}</p>
        <input
          ref={file}
          type="file"
          hidden
          accept=".html,.htm,.xhtml,.zip"
          aria-label={addPageText.htmlFileOrZip}
          data-bring="file"
          onChange={take}
        />
        {/* The attribute is not in React's types. */}
        <input
          ref={folder}
          type="file"
          hidden
          aria-label={addPageText.folder}
          data-bring="folder"
          {...{ webkitdirectory: '' }}
          onChange={take}
        />
      </div>
    </div>
  );
}

/** Which sections the page is made of. */
function SectionsForm({ onMake, onBack }: { onMake(html: string): void; onBack(): void }) {
  const [ids, setIds] = useState<readonly string[]>(SECTIONS.map((s) => s.id));
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        onMake(makeSectionsPage(ids));
      }}
    >
      <fieldset className="bring-sections">
        <legend>{addPageText.sections}</legend>
        {SECTIONS.map((s) => (
          <label key={s.id} className="tick" title={s.what}>
            <input
              type="checkbox"
              checked={ids.includes(s.id)}
              onChange={(e) =>
                setIds(e.target.checked ? [...ids, s.id] : ids.filter((other) => other !== s.id))
              }
            />{' '}
            {s.name}
          </label>
        ))}
      </fieldset>
      <div className="bring-buttons">
        <button type="submit" className="btn main" disabled={ids.length === 0}>
          {addPageText.makeIt}
        </button>
        <button type="button" className="btn tall" onClick={onBack}>
          {addPageText.back}
        </button>
      </div>
    </form>
  );
}

function ConnectForm({ onConnect, onBack }: { onConnect(url: string): void; onBack(): void }) {
  const [url, setUrl] = useState('http://localhost:5173/');
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        onConnect(url.trim());
      }}
    >
      <label className="bring-url">
        {addPageText.addressOfYourDevelopment}
        <input
          className="field"
          type="url"
          required
          autoFocus
          // What is typed takes the place of the example.
          onFocus={(e) => e.target.select()}
          pattern="https?://(localhost|127\.0\.0\.1)(:\d+)?(/(?!.*://).*)?"
          title={addPageText.aPageOnThis}
          value={url}
          onChange={(e) => setUrl(e.target.value)}
        />
      </label>
      <div className="bring-buttons">
        <button type="submit" className="btn main">
          {addPageText.connect}
        </button>
        <button type="button" className="btn tall" onClick={onBack}>
          {addPageText.back}
        </button>
      </div>
    </form>
  );
}

function PasteForm({ onPaste, onBack }: { onPaste(html: string): void; onBack(): void }) {
  const [html, setHtml] = useState('');
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        onPaste(html);
      }}
    >
      <textarea
        className="field paste"
        aria-label={addPageText.htmlOfThePage}
        autoFocus
        placeholder={addPageText.doctypeHtml}
        value={html}
        onChange={(e) => setHtml(e.target.value)}
      />
      <div className="bring-buttons">
        <button type="submit" className="btn main" disabled={!html.trim()}>
          {addPageText.addIt}
        </button>
        <button type="button" className="btn tall" onClick={onBack}>
          {addPageText.back}
        </button>
      </div>
    </form>
  );
}
