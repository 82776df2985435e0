import { Button } from 'antd';
import { useState } from 'react';
import type { Site } from '@core/records/case';
import { isRefusal } from '@core/reckoning/refusal';
import { Fault, TextField } from '../../../ui/field';
import { fixed } from '@core/words/numbers';
import { FilePicker } from '../../../ui/file-picker';
import { useUnits } from '../../../ui/format';
import { drawnPicture } from '../../../ui/picture-file';

const SHOWN_PX = 520;

type Picture = NonNullable<Site['picture']>;
type Loaded = Pick<Picture, 'dataUrl' | 'widthPx' | 'heightPx'>;

const JPEG_QUALITY = 0.82;

/** Reads a picture file and brings it to a size that can be kept. */
async function readPicture(file: File): Promise<Loaded | string> {
  const drawn = await drawnPicture(file, 'a plan picture');
  if (typeof drawn === 'string') return drawn;
  const { canvas, widthPx, heightPx } = drawn;
  return { dataUrl: canvas.toDataURL('image/jpeg', JPEG_QUALITY), widthPx, heightPx };
}

/** A plan behind the sheet: choose it, mark two points a known distance apart, type the distance. */
export function PlanPicture({
  before,
  onKeep,
  onRemove,
}: {
  before: Picture | undefined;
  onKeep: (picture: Picture) => void;
  onRemove: () => void;
}) {
  const units = useUnits();
  const [loaded, setLoaded] = useState<Loaded>();
  const [fault, setFault] = useState<string>();
  const [points, setPoints] = useState<readonly [string, string][]>([
    ['', ''],
    ['', ''],
  ]);
  const [next, setNext] = useState(0);
  const [distance, setDistance] = useState('');
  const choose = async (file: File) => {
    const read = await readPicture(file);
    setFault(typeof read === 'string' ? read : undefined);
    if (typeof read !== 'string') setLoaded(read);
  };
  const keep = () => {
    if (!loaded) return;
    const numbers = points.flat().map((text) => units.readPlain(text, 'Point', 'point'));
    const feet = units.value('length', distance, 'Distance', 'distance');
    if (numbers.some((n) => isRefusal(n) || n === undefined))
      return setFault('Mark two points on the picture, or type where they are.');
    if (isRefusal(feet) || feet === undefined || feet <= 0)
      return setFault(`Type how far apart the two points are, in ${units.lengthInWords()}.`);
    const [x1, y1, x2, y2] = numbers as [number, number, number, number];
    const pixels = Math.hypot(x2 - x1, y2 - y1);
    if (pixels < 5) return setFault('The two points are almost the same: mark them farther apart.');
    onKeep({ ...loaded, ftPerPx: feet / pixels, atFt: before?.atFt ?? [0, 0] });
  };
  const scale = loaded ? Math.min(1, SHOWN_PX / loaded.widthPx) : 1;
  return (
    <div className="bringin">
      <p>
        <FilePicker
          label="Plan picture file"
          accept="image/png,image/jpeg,image/webp"
          onFile={(file) => void choose(file)}
        >
          Choose a picture
        </FilePicker>{' '}
        {before && <Button onClick={onRemove}>Delete picture</Button>}
      </p>
      {loaded && (
        <>
          <p className="small">Click two points that are a known distance apart: the ends of a wall, of a drive.</p>
          <div className="planpicture">
            <img
              src={loaded.dataUrl}
              width={loaded.widthPx * scale}
              height={loaded.heightPx * scale}
              alt="The plan; click two points"
              onClick={(event) => {
                const box = event.currentTarget.getBoundingClientRect();
                const at: [string, string] = [
                  fixed((event.clientX - box.left) / scale, 0),
                  fixed((event.clientY - box.top) / scale, 0),
                ];
                setPoints((all) => all.map((p, i) => (i === next ? at : p)));
                setNext((i) => (i + 1) % 2);
              }}
            />
            <svg width={loaded.widthPx * scale} height={loaded.heightPx * scale} aria-hidden="true">
              {points.map(([x, y], i) =>
                x && y ? (
                  <circle
                    key={i}
                    cx={Number(x) * scale}
                    cy={Number(y) * scale}
                    r={6}
                    fill="none"
                    stroke="var(--moss)"
                    strokeWidth={2.4}
                  />
                ) : null,
              )}
            </svg>
          </div>
          <div className="pair">
            {points.map(([x, y], i) => (
              <div key={i} className="pair">
                {(['from the left', 'from the top'] as const).map((where, axis) => (
                  <TextField
                    key={where}
                    label={`Point ${i + 1} ${where}`}
                    unit="px"
                    value={axis === 0 ? x : y}
                    inputMode="decimal"
                    onChange={(text) =>
                      setPoints((all) =>
                        all.map((p, at) => (at === i ? (axis === 0 ? [text, p[1]] : [p[0], text]) : p)),
                      )
                    }
                  />
                ))}
              </div>
            ))}
          </div>
          <TextField
            label="Distance between them"
            unit={units.unit('length')}
            value={distance}
            inputMode="decimal"
            onChange={setDistance}
            onEnter={keep}
          />
          <Button type="primary" onClick={keep}>
            Save picture
          </Button>
        </>
      )}
      <Fault>{fault}</Fault>
    </div>
  );
}
