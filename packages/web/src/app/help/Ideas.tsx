/** The six ideas, each as a picture that moves. All run on one clock, five seconds down the page and back. */
import type { ReactNode } from 'react';
import { ideasText } from '../text.ts';

type Idea = keyof typeof ideasText;

/** The viewport with a page behind it that is scrolled; `children` lie in the page. */
const PageFrame = ({
  id,
  scroll = 'scrolled',
  children,
}: {
  id: string;
  scroll?: string;
  children?: ReactNode;
}) => (
  <>
    <clipPath id={`idea-${id}`}>
      <rect x="8" y="8" width="76" height="104" rx="2" />
    </clipPath>
    <g clipPath={`url(#idea-${id})`}>
      <rect x="8" y="8" width="76" height="104" className="idea-paper" />
      <g className={scroll}>
        {[20, 34, 44, 54, 72, 84, 94, 176, 190, 200, 210, 230, 240, 256].map((y, i) => (
          <rect
            key={y}
            x="16"
            y={y}
            width={i % 3 === 0 ? 34 : i % 3 === 1 ? 60 : 52}
            height="4"
            className="idea-line"
          />
        ))}
        {children}
      </g>
    </g>
    <rect x="8" y="8" width="76" height="104" rx="2" className="idea-edge" />
  </>
);

const DIAMOND = 'M0-5 5 0 0 5-5 0Z';

const PICTURES: Record<Idea, ReactNode> = {
  driver: (
    <>
      <PageFrame id="driver">
        <rect x="16" y="126" width="60" height="32" rx="2" className="idea-pass" />
      </PageFrame>
      <path d="M96 60H122M116 55L122 60L116 65" className="idea-arrow" />
      <rect x="132" y="12" width="16" height="96" rx="2" className="idea-edge" />
      <rect x="133" y="13" width="14" height="94" className="idea-pass grows-in-view" />
    </>
  ),
  range: (
    <>
      <path d="M24 8V112" className="idea-axis" />
      <rect x="40" y="40" width="12" height="40" rx="3" className="idea-pass" />
      <path d="M46 40V8M46 80V112" className="idea-hint" />
      <path d="M12 8H92" className="idea-now down-the-axis" />
      <g className="rises-in-range">
        <rect x="112" y="56" width="56" height="36" rx="2" className="idea-page" />
      </g>
    </>
  ),
  keyframes: (
    <>
      <path d="M16 100 76 30 172 62" className="idea-curve" />
      {[
        [16, 100],
        [76, 30],
        [172, 62],
      ].map(([x, y]) => (
        <path key={x} d={DIAMOND} transform={`translate(${x} ${y})`} className="idea-keyframe" />
      ))}
      <path d="M0 8V112" className="idea-now along-x" />
      <circle r="4" className="idea-dot along-keyframes" />
      <rect x="182" y="-7" width="14" height="14" rx="2" className="idea-page along-y" />
    </>
  ),
  trigger: (
    <>
      <PageFrame id="trigger" scroll="scrolled-and-stopped">
        <rect x="16" y="126" width="60" height="32" rx="2" className="idea-trigger" />
      </PageFrame>
      <path d="M4 80H92" className="idea-mark" />
      <circle cx="116" cy="60" r="14" className="idea-edge" />
      <path d="M116 60V50" className="idea-hand in-time" />
      <g className="turns-in-time">
        <rect x="150" y="44" width="32" height="32" rx="2" className="idea-page" />
      </g>
    </>
  ),
  pin: (
    <>
      <clipPath id="idea-pin">
        <rect x="56" y="8" width="80" height="104" rx="2" />
      </clipPath>
      <g clipPath="url(#idea-pin)">
        <rect x="56" y="8" width="80" height="104" className="idea-paper" />
        <g className="before-the-pin">
          {[18, 28, 38].map((y) => (
            <rect key={y} x="66" y={y} width="56" height="4" className="idea-line" />
          ))}
        </g>
        <g className="stays">
          <rect x="56" y="58" width="80" height="104" className="idea-pinned" />
          <rect x="80" y="94" width="32" height="32" rx="2" className="idea-pin turns-while-pinned" />
          <g transform="translate(0 162)">
            {[14, 24, 34].map((y) => (
              <rect key={y} x="66" y={y} width="56" height="4" className="idea-line" />
            ))}
          </g>
        </g>
      </g>
      <rect x="56" y="8" width="80" height="104" rx="2" className="idea-edge" />
      <rect x="144" y="8" width="5" height="22" rx="2" className="idea-thumb" />
    </>
  ),
  damping: (
    <>
      <path d="M16 24H40V44H64V64H88V96H184" className="idea-hint" />
      <path
        d="M16 24H40C44 36 52 43 64 44C68 56 76 63 88 64C93 84 104 95 130 96H184"
        className="idea-curve"
      />
      <path d="M0 8V112" className="idea-now along-time" />
      <circle r="4" className="idea-dot in-steps" />
      <circle r="4" className="idea-keyframe later" />
    </>
  ),
};

export function Ideas({ moves }: { moves: boolean }) {
  return (
    <ul className={`ideas${moves ? ' moving' : ''}`}>
      {(Object.keys(PICTURES) as Idea[]).map((idea) => (
        <li key={idea}>
          <IdeaPicture idea={idea} />
          <p>
            <b>{ideasText[idea].name}</b> {ideasText[idea].text}
          </p>
        </li>
      ))}
    </ul>
  );
}

const IdeaPicture = ({ idea }: { idea: Idea }) => (
  <svg className="idea" viewBox="0 0 200 120" role="img" aria-label={ideasText[idea].name}>
    {PICTURES[idea]}
  </svg>
);
