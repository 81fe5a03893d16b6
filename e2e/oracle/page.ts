/** HTML around the subjects of a case page: tracks, inner scrollers, transforms, clips. */
import { partFor } from './cases.ts';
import type { Case } from './cases.ts';

function block(c: Case, i: number): string {
  const s = c.subject;
  const drawing = partFor(c, i) ? ' drawing' : '';
  const own = (extra = '') =>
    `<div id="s${i}" class="s${drawing}" style="width:${s.width}px;height:${s.height}px;${extra}">subject ${i}</div>`;
  const gap = `margin-top:${s.gap}px`;
  switch (s.setting) {
    case 'plain':
    case 'tall':
      return own(gap);
    case 'sticky':
      return `<div style="${gap};height:${s.height + 700}px">${own(`position:sticky;top:${(i * 13) % 120}px`)}</div>`;
    case 'sticky-end':
      return `<div style="${gap};height:${s.height + 500}px;padding-top:420px">${own(`position:sticky;bottom:${(i * 7) % 60}px`)}</div>`;
    case 'in-sticky':
      return `<div style="${gap};height:1900px"><div style="position:sticky;top:20px;height:640px;padding-top:${(i * 11) % 90}px">${own()}</div></div>`;
    case 'scroller':
      return `<div id="scroll${i}" class="scroller" style="${gap};height:420px;width:560px;overflow:auto;border:3px solid"><div style="height:460px"></div>${own()}<div style="height:700px"></div></div>`;
    case 'inline-scroller':
      return `<div id="scroll${i}" class="scroller" style="${gap};height:560px;width:640px;overflow:auto;white-space:nowrap;display:flex"><div style="flex:none;width:700px"></div>${own('flex:none')}<div style="flex:none;width:900px"></div></div>`;
    case 'pinned':
      return `<section id="stage${i}" style="${gap};height:${s.height + 120}px;padding-top:${(i * 17) % 60}px;box-sizing:border-box">${own()}</section>`;
    case 'transformed':
      return `<div style="${gap};transform:translate(30px,-20px) rotate(4deg)"><div style="scale:0.8">${own()}</div></div>`;
    case 'clipped':
      return `<div style="${gap};overflow:clip;padding:9.5px">${own('position:relative;top:12px')}</div>`;
  }
}

export const makePage = (cases: readonly Case[], css: string): string => `<!doctype html>
<html><head><meta charset="utf-8"><style>
html { scroll-padding: 40px 30px; }
body { margin: 0; font: 16px/1.3 'Liberation Sans', sans-serif; overflow-x: clip; }
.s { background-color: #dde; color: #123; box-sizing: border-box; }
.drawing { position: relative; border: 3px solid; }
.drawing::after { content: ''; position: absolute; left: 7px; bottom: 5px; width: 60%; height: 12px; padding: 2px; background: #964; }
::-webkit-scrollbar { display: none; }
</style><style>${css}</style></head><body>
<div style="height:300px"></div>
${cases.map(block).join('\n')}
<div style="height:900px"></div>
</body></html>`;
