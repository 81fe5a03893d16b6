/** The way into an imported page: the probe stands before everything else in its head, and waits for the workbench around it. */
import { begin, speak } from './probe.ts';
import { HELLO } from './words.ts';

if (window.parent !== window) {
  begin();
  addEventListener('message', function connect(e) {
    if (e.source !== window.parent || e.data !== HELLO || !e.ports[0]) return;
    e.stopImmediatePropagation();
    removeEventListener('message', connect);
    speak(e.ports[0]);
  });
  window.parent.postMessage(HELLO, '*');
}
