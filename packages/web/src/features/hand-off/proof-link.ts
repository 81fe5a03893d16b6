/** The line to the probe in a finished hand-off that is being proved. */
import { present } from '@lyvek/core';
import type { Look, ScheduledLook, ProofSchedule, Viewport } from '@lyvek/core';
import { FromProbe, HELLO } from '@lyvek/probe';
import type { ToProbe } from '@lyvek/probe';
import { proofWindow } from './ProofWindow.tsx';

/** ms that one look may take: two frames, on a busy machine. */
const TIMEOUT_MS = 20_000;

export class ProofLink {
  private constructor(
    private readonly port: MessagePort,
    private readonly signal: AbortSignal,
  ) {}

  /** Opens the page and waits until its probe says that it is there. */
  static async opened(url: string, viewport: Viewport, signal: AbortSignal): Promise<ProofLink> {
    const frame = document.createElement('iframe');
    frame.title = 'The finished page';
    frame.setAttribute('sandbox', 'allow-scripts');
    frame.width = String(viewport.width);
    frame.height = String(viewport.height);
    const greeted = new Promise<MessagePort>((done, fail) => {
      const greet = (e: MessageEvent) => {
        if (e.source !== frame.contentWindow || e.data !== HELLO) return;
        const channel = new MessageChannel();
        channel.port1.onmessage = (m) => {
          const parsed = FromProbe.safeParse(m.data);
          if (parsed.success && parsed.data.type === 'ready') done(channel.port1);
        };
        present(frame.contentWindow).postMessage(HELLO, '*', [channel.port2]);
      };
      addEventListener('message', greet, { signal });
      setTimeout(
        () => fail(new Error('The finished page did not open here. Try it in Chromium on the server.')),
        TIMEOUT_MS,
      );
    });
    frame.src = url;
    proofWindow()?.append(frame);
    return new ProofLink(await greeted, signal);
  }

  /** What is shown at each place, in the order of the schedule. */
  async looks(schedule: ProofSchedule, told: (done: number) => void): Promise<Look[]> {
    const out: Look[] = [];
    for (const [id, at] of schedule.looks.entries()) {
      this.signal.throwIfAborted();
      out.push(await this.look(id, at, schedule));
      told(out.length);
    }
    return out;
  }

  private look(id: number, at: ScheduledLook, { watched }: ProofSchedule): Promise<Look> {
    return new Promise((done, fail) => {
      const late = setTimeout(() => fail(new Error('The finished page stopped answering.')), TIMEOUT_MS);
      this.port.onmessage = ({ data }) => {
        const parsed = FromProbe.safeParse(data);
        if (!parsed.success || parsed.data.type !== 'looked' || parsed.data.id !== id) return;
        clearTimeout(late);
        done(parsed.data.look);
      };
      const wanted = watched.map(({ selector, index, properties, when }) => ({
        selector,
        index,
        properties,
        when,
      }));
      this.port.postMessage({ type: 'look', id, at, wanted } satisfies ToProbe);
    });
  }
}
