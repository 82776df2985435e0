import { Button } from 'antd';
import { useState } from 'react';
import { KINDS } from '@core/log/kinds';
import type { LogLine } from '@core/log/log-lines';
import type { RecordVersion } from '@core/records/case';
import { sayWeekday } from '@core/words/days';
import { TextField } from '../../ui/field';
import { useUnits } from '../../ui/format';
import { WarnGlyph } from '../../ui/glyphs';
import { PhotoStrip } from '../../work/photo-strip';
import { spreadSays, whatSays } from './record-words';

const momentSays = (at: string) => `${sayWeekday(at.slice(0, 10))}, ${at.slice(11, 16)}`;

/** A record with its versions: what counts, what stood before, and how it comes back or goes. */
export function RecordFocus({
  line,
  onEdit,
  onCount,
  onWithdraw,
}: {
  line: LogLine;
  onEdit: () => void;
  /** Lets an older version count again, or one of two that stand. */
  onCount: (version: RecordVersion, reason: string) => void;
  onWithdraw: (reason: string) => void;
}) {
  const units = useUnits();
  const { record, body, zoneNames, ofPlan } = line;
  const [reason, setReason] = useState('');
  const { versions, head, fork, lacksParent, withdrawn } = record;
  const ready = reason.trim().length >= 3;
  return (
    <section className="focus" aria-labelledby="focus">
      <h2 id="focus">
        {zoneNames}, {sayWeekday(body.date)}
      </h2>
      <p>
        <b>{spreadSays(body, units)}</b> {whatSays(body, units)}
        {ofPlan !== undefined && `, ${units.number(ofPlan, 2)} of the plan`}
        {body.go?.override && `; gone about against ${body.go.reasons ?? 'a warning'}: ${body.go.override}`}
        {body.weather?.windMph !== undefined && `; wind ${units.say('speed', body.weather.windMph)}`}
        {body.operator && `; ${body.operator}`}
        {body.lot && `; lot ${body.lot}`}
      </p>
      {body.notes && <p className="small">{body.notes}</p>}
      <PhotoStrip hashes={body.photos ?? []} of={zoneNames} />
      {fork.length > 0 && (
        <p className="caution small">
          <WarnGlyph /> Two corrections stand: let one of them count.
        </p>
      )}
      {lacksParent && <p className="small">An earlier version is in another file.</p>}
      <ol className="versions">
        {versions.map((version, i) => (
          <li key={version.versionId} className={version.versionId === head.versionId ? 'counts' : undefined}>
            <span className="num">{i + 1}</span>
            <span>
              {momentSays(version.at)}, {version.by}
              {version.reason && (
                <>
                  : <b>{version.reason}</b>
                </>
              )}
              <span className="small">
                {' '}
                {version.withdrawn ? 'withdrawn' : spreadSays(version.body, units) || KINDS[version.body.kind].title}
                {version.versionId === head.versionId && ', counts'}
              </span>{' '}
              {(version.versionId !== head.versionId || withdrawn) && !version.withdrawn && (
                <button type="button" className="link" disabled={!ready} onClick={() => onCount(version, reason)}>
                  Let {i + 1} count
                </button>
              )}
            </span>
          </li>
        ))}
      </ol>
      <TextField label="Reason" value={reason} onChange={setReason} />
      <div className="recordacts">
        {!withdrawn && (
          <Button onClick={onEdit}>
            Edit <span className="kbd">E</span>
          </Button>
        )}
        {!withdrawn && (
          <Button disabled={!ready} onClick={() => onWithdraw(reason)}>
            Withdraw
          </Button>
        )}
      </div>
      {!ready && (
        <p className="small">Withdrawing, or going back to another version, needs a reason; nothing is lost.</p>
      )}
    </section>
  );
}
