/** Which take a strip shows; the left one is chosen here, the right one is the open take. */
import { Down } from '../../ui/glyphs.tsx';
import { Popover } from '../../ui/Popover.tsx';
import { SideChoices } from './SideChoices.tsx';
import type { Letter, Side } from './takes-context.ts';
import { sideHeadText } from './text.ts';

export function SideHead({ letter, side }: { letter: Letter; side: Side }) {
  const name = (
    <>
      <span className="side-letter">{letter.toUpperCase()}</span>
      <b className="cut">{side.name}</b>
    </>
  );
  return (
    <span className="side-head">
      {letter === 'b' ? (
        <span className="side-name">{name}</span>
      ) : (
        <Popover
          className="btn plain side-name"
          label={sideHeadText.compareWith}
          trigger={
            <>
              {name} <Down />
            </>
          }
        >
          {(close) => <SideChoices close={close} />}
        </Popover>
      )}
      <i className="cut" title={side.note}>
        {side.note}
      </i>
    </span>
  );
}
