import { Link, useLocation } from 'react-router';
import { WarnGlyph } from '../../../ui/glyphs';

/** What is not prescribed until a sample is read. */
export function StopgapNote() {
  const { hash } = useLocation();
  return (
    <p className="caution stopgapnote">
      <WarnGlyph />
      <span>
        <b>Stopgap</b> No soil test: nitrogen by the grass alone. No P<sub>2</sub>O<sub>5</sub>, K<sub>2</sub>O, lime or
        sulfur until a sample is read.{' '}
        <Link className="link" to={{ pathname: '../read', hash }}>
          Type its report
        </Link>
      </span>
    </p>
  );
}
