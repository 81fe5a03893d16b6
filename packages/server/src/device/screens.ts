/** What a device shows before it is let in: plain pages without a script. */

const escape = (text: string) => text.replaceAll('&', '&amp;').replaceAll('<', '&lt;');

const page = (title: string, body: string, head = '') => `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">${head}
<title>${escape(title)}</title>
<style>
:root { color-scheme: light dark }
body { font: 18px/1.5 system-ui, sans-serif; margin: 12vh auto; max-width: 22rem; padding: 0 1rem }
b { display: block; font-size: 2.4rem; letter-spacing: .2em; margin: .5em 0 }
input, button { font: inherit; padding: .6em; width: 100%; box-sizing: border-box; margin: .3em 0 }
input { letter-spacing: .2em; text-transform: uppercase }
</style></head><body><h1>${escape(title)}</h1>${body}</body></html>`;

/** Waits until somebody lets it in, and looks again every second. */
export const waitingScreen = (code: string): string =>
  page(
    'Waiting to be let in',
    `<p>Compare these letters with those in Lyvek, then press “Let it in” there.</p><b>${code}</b>`,
    '<meta http-equiv="refresh" content="1">',
  );

export const typingScreen = (message = ''): string =>
  page(
    'Open a page on this device',
    `<p>${escape(message || 'Type the six letters that Lyvek shows.')}</p>
<form method="post" action="/enter"><label>Letters <input name="code" maxlength="12" autocomplete="off" autocapitalize="characters" autofocus required></label><button>Open</button></form>`,
  );

export const endScreen = (message: string): string =>
  page('Nothing is shown here', `<p>${escape(message)}</p>`);
