/** A link that a camera reads. Dark on light in both themes: cameras want it so. */
import { useMemo } from 'react';
import { encode } from 'uqr';

export function QrCode({ text, label }: { text: string; label: string }) {
  const { size, path } = useMemo(() => {
    const { data, size: modules } = encode(text, { ecc: 'M', border: 2 });
    const dark = data.flatMap((row, y) => row.flatMap((on, x) => (on ? [`M${x} ${y}h1v1h-1z`] : [])));
    return { size: modules, path: dark.join('') };
  }, [text]);
  return (
    <svg
      className="qr"
      viewBox={`0 0 ${size} ${size}`}
      role="img"
      aria-label={label}
      shapeRendering="crispEdges"
    >
      <rect width={size} height={size} className="qr-light" />
      <path d={path} className="qr-dark" />
    </svg>
  );
}
