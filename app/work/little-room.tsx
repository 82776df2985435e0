import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { roundedTo } from '@core/words/numbers';
import { onLittleRoom, watchRoom } from '../storage/keeping';
import { WarnGlyph } from '../ui/glyphs';

/** Stands over every page while the browser has little room left: a full one takes no more saves. */
export function LittleRoom() {
  const [bytes, setBytes] = useState<number>();
  useEffect(() => {
    const end = onLittleRoom(setBytes);
    void watchRoom();
    return end;
  }, []);
  if (bytes === undefined) return null;
  return (
    <p className="littleroom" role="status">
      <WarnGlyph />
      <span>
        The browser has only {roundedTo(bytes / 1e6, 0)} MB left for Ubertas. <Link to="/">Export a backup</Link> and
        free some space: a full browser takes no more saves.
      </span>
    </p>
  );
}
