/** Adding a page: files that are read and sent, a server that is connected, and which file is meant where there are several. */
import { useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { api, ApiError } from '../../state/api.ts';
import { notify, notifyError } from '../../ui/notices.tsx';
import { makeUpload } from './add-page.ts';
import type { NamedFile, Upload } from './add-page.ts';
import { rackText } from './text.ts';

/** Several HTML files, none of which says that it is the page. */
export interface EntryChoice {
  upload: Upload;
  choices: string[];
}

/** `refresh`: reads the shelf again. */
export function useAdding(projectId: string, refresh: () => Promise<void>) {
  const navigate = useNavigate();
  const [busy, setBusy] = useState<string | null>(null);
  const [choice, setChoice] = useState<EntryChoice | null>(null);
  const sending = useRef<AbortController | null>(null);
  const send = async (upload: Upload, entry?: string) => {
    setBusy(rackText.addingImportingItsCss(upload.name));
    const stop = (sending.current = new AbortController());
    try {
      const { name, body } = upload;
      const given = { id: projectId, name, body, ...(entry ? { entry } : {}) };
      const page = await api.addPage(given, { signal: stop.signal });
      setChoice(null);
      await refresh();
      notify(rackText.isOnTheShelf(page.name), {
        action: { label: 'Open', run: () => void navigate(`/pages/${page.id}`) },
      });
      // What else is a page in it is not passed over in silence.
      if (page.others.length > 0)
        notify(rackText.itHoldsOthers(page.others), {
          action: { label: 'Add one of them', run: () => setChoice({ upload, choices: page.others }) },
        });
      if (page.limit) notify(page.limit, { wrong: true });
      if (page.proof) notify(page.proof.message, { wrong: !page.proof.proved });
    } catch (error) {
      if (stop.signal.aborted) return;
      const choices = error instanceof ApiError ? error.extra.choices : undefined;
      if (Array.isArray(choices)) setChoice({ upload, choices: choices.map(String) });
      else notifyError(error);
    } finally {
      setBusy(null);
    }
  };
  const addFiles = async (files: readonly NamedFile[] | Promise<NamedFile[]>) => {
    setBusy(rackText.readingTheFiles);
    try {
      await send(await makeUpload(await files));
    } catch (error) {
      notifyError(error);
      setBusy(null);
    }
  };
  /** A page that was made here has nothing to be asked about: it is opened at once. */
  const make = async (html: string) => {
    setBusy(rackText.makingThePage);
    try {
      const body = new Blob([html], { type: 'text/html' });
      const page = await api.addPage({ id: projectId, name: 'Page from sections', body });
      await refresh();
      void navigate(`/pages/${page.id}`);
    } catch (error) {
      notifyError(error);
    } finally {
      setBusy(null);
    }
  };
  const connect = async (url: string) => {
    try {
      const page = await api.connectPage({ id: projectId, body: { url } });
      await refresh();
      void navigate(`/pages/${page.id}`);
    } catch (error) {
      notifyError(error);
    }
  };
  return {
    /** what is being done, in words; null: nothing */
    busy,
    choice,
    send,
    addFiles,
    make,
    connect,
    cancel: () => sending.current?.abort(),
    giveUpChoice: () => setChoice(null),
  };
}
