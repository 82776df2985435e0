import './photo-strip.css';
import { useEffect, useState } from 'react';
import { readPhoto } from '../storage/photos';

/** A photo of this browser, by its name; a sentence where it is in another one. */
function Photo({ hash, says }: { hash: string; says: string }) {
  const [url, setUrl] = useState<string | null>();
  useEffect(() => {
    let made: string | undefined;
    let isGone = false;
    void readPhoto(hash)
      .catch(() => undefined)
      .then((jpeg) => {
        if (isGone) return;
        made = jpeg && URL.createObjectURL(jpeg);
        setUrl(made ?? null);
      });
    return () => {
      isGone = true;
      if (made) URL.revokeObjectURL(made);
    };
  }, [hash]);
  if (url === null) return <span className="small nophoto">This photo is in another browser.</span>;
  return url === undefined ? (
    <span className="nophoto" aria-busy="true" />
  ) : (
    <a href={url} target="_blank" rel="noreferrer">
      <img src={url} alt={says} />
    </a>
  );
}

/** Photos in a row, small; each opens whole. */
export function PhotoStrip({ hashes, of }: { hashes: readonly string[]; of: string }) {
  if (hashes.length === 0) return null;
  return (
    <div className="photos">
      {hashes.map((hash, i) => (
        <Photo key={`${hash}-${i}`} hash={hash} says={`Photo ${i + 1} of ${of}`} />
      ))}
    </div>
  );
}
