/** Takes: the open take beside another one, picture by picture, curve by curve, figure by figure. */
import { useEffect } from 'react';
import { useUndoKeys } from '../../state/use-undo-keys.ts';
import { useOpenedPage } from '../../state/opened-page.ts';
import { Compared } from './Compared.tsx';
import { FixedBeside, PicturesBeside, TakeBeside } from './sides.tsx';
import { SideChoices } from './SideChoices.tsx';
import { useBeside, useBesideKey } from './use-beside.ts';
import './takes.css';
import { takesScreenText } from './text.ts';

export function TakesScreen() {
  const { page, take, session } = useOpenedPage();
  const [key] = useBesideKey();
  const beside = useBeside(key);
  useUndoKeys(session);
  useEffect(() => {
    window.document.title = `Takes · ${page.name} · Lyvek`;
  }, [page.name]);
  switch (beside.kind) {
    case 'take':
      return <TakeBeside key={`${key}${take.id}`} beside={beside} then={Compared} />;
    case 'revision':
    case 'elsewhere':
      return <FixedBeside key={`${key}${take.id}`} beside={beside} then={Compared} />;
    case 'pictures':
      return <PicturesBeside key={`${key}${take.id}`} beside={beside} then={Compared} />;
    case 'opening':
      return <p className="empty-note">{takesScreenText.openingWhatIsCompared(take.name)}</p>;
    case 'failed':
    case 'nothing':
      return (
        <div className="takes-empty">
          <h1>
            {beside.kind === 'failed'
              ? takesScreenText.thatCannotBeOpened
              : takesScreenText.isTheOnlyTake(take.name)}
          </h1>
          <p>
            {beside.kind === 'failed'
              ? takesScreenText.chooseSomethingElseTo(beside.why, take.name)
              : takesScreenText.makeASecondTake}
          </p>
          <SideChoices close={() => undefined} />
        </div>
      );
  }
}
