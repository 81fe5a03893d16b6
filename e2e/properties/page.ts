/** Runs inside a page of subjects: reads what each shows and, on a twin beside it, what is predicted. */
export interface Asked {
  id: string;
  property: string;
  /** by core; null where it says that it does not know */
  predicted: string | null;
}
export interface Answer {
  id: string;
  shown: string;
  predicted: string | null;
  /** the longhand whose values these are */
  of: string;
}

/** Two values that the browser has written, with their numbers apart: the words have to be the same. */
export function compare(properties: readonly Asked[], y: number): Promise<Answer[]> {
  scrollTo({ top: y, behavior: 'instant' });
  const frame = () => new Promise((done) => requestAnimationFrame(done));
  return frame()
    .then(frame)
    .then(() =>
      properties.map(({ id, property, predicted }): Answer => {
        const subject = document.getElementById(id)!;
        const twin = document.getElementById(`${id}-twin`)!;
        if (predicted !== null) twin.style.setProperty(property, predicted);
        const longhands = (() => {
          const s = document.createElement('i').style;
          s.setProperty(property, 'inherit');
          return [...s];
        })();
        const [a, b] = [getComputedStyle(subject), getComputedStyle(twin)];
        const differing =
          longhands.find((l) => a.getPropertyValue(l) !== b.getPropertyValue(l)) ?? longhands[0] ?? property;
        // Percentages of its own box may be px in a prediction.
        const used = (css: string) =>
          differing !== 'translate'
            ? css
            : [...(css.match(/calc\([^)]*\)|[^ ]+/g) ?? []), '0px']
                .slice(0, 2)
                .map((part, axis) => {
                  const whole = axis === 0 ? subject.offsetWidth : subject.offsetHeight;
                  const [, percent = '0'] = /(-?[\d.]+)%/.exec(part) ?? [];
                  const [, sign = '', px = '0'] = /([+-]? ?)([\d.]+)px/.exec(part) ?? [];
                  return `${(Number(percent) * whole) / 100 + Number(`${sign.replace(' ', '')}${px}`)}px`;
                })
                .join(' ');
        const out = {
          id,
          of: differing,
          shown: used(a.getPropertyValue(differing)),
          predicted: predicted === null ? null : used(b.getPropertyValue(differing)),
        };
        twin.style.removeProperty(property);
        return out;
      }),
    );
}
