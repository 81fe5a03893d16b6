/** Takes the way of an element from a drawing of the page; its points are pulled in the page afterwards. */
import { elementName, isSvgShape, placeDrawnPath, setDeclaration } from '@lyvek/core';
import type { ElementFacts, Layout, Motion } from '@lyvek/core';
import { useOpenedPage } from '../../../../state/opened-page.ts';
import { useShownPage } from '../../../../preview/shown-page.ts';
import { Popover } from '../../../../ui/Popover.tsx';
import { notify } from '../../../../ui/notices.tsx';
import { useRundown } from '../../rundown-context.ts';
import { pathFieldText } from '../text.ts';

const WAY = 'offset-path';
const MAX_LISTED = 24;
const LINES = ['path', 'line', 'polyline', 'polygon', 'circle', 'ellipse', 'rect'];

/** Lines of drawings, those nearest to an element first. */
function listLines({ elements }: Layout, to: ElementFacts): ElementFacts[] {
  const middle = (e: ElementFacts) => e.box.y + e.box.height / 2;
  const far = (e: ElementFacts) => Math.abs(middle(e) - middle(to));
  return elements
    .filter((e) => e !== to && isSvgShape(e) && LINES.includes(e.tag) && e.scroller === to.scroller)
    .sort((a, b) => far(a) - far(b))
    .slice(0, MAX_LISTED);
}

export function PathField({ motion, element }: { motion: Motion; element: number }) {
  const { session } = useOpenedPage();
  const { link } = useShownPage();
  const { layout, document } = useRundown();
  const moved = layout.elements[element];
  const way = document.adjustments.find((a) => a.for.includes(motion.id) && WAY in a.declarations);
  if (!moved || !way) return null;
  const take = async ({ selector }: ElementFacts) => {
    const drawn = await link.readDrawnPath(selector);
    const path = drawn && placeDrawnPath(drawn, moved.box);
    if (path) session.apply(setDeclaration(way.id, WAY, path));
    else notify(pathFieldText.noLine, { wrong: true });
  };
  const hintAt = (i: number) => ({
    onPointerEnter: () => link.hint(i),
    onFocus: () => link.hint(i),
    onPointerLeave: () => link.hint(-1),
    onBlur: () => link.hint(-1),
  });
  return (
    <div className="signal">
      <Popover trigger={pathFieldText.takeIt}>
        {(close) => {
          const lines = listLines(layout, moved);
          if (lines.length === 0) return <p className="m-0">{pathFieldText.noDrawing}</p>;
          return (
            <div className="popover-list" role="group" aria-label={pathFieldText.lines}>
              {lines.map((e) => (
                <button
                  key={e.selector}
                  type="button"
                  {...hintAt(layout.elements.indexOf(e))}
                  onClick={() => {
                    link.hint(-1);
                    close();
                    void take(e);
                  }}
                >
                  {pathFieldText.line(elementName(e, layout), e)}
                </button>
              ))}
            </div>
          );
        }}
      </Popover>
    </div>
  );
}
