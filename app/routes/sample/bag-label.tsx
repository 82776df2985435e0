import type { Sample, Zone } from '@core/records/case';
import { sayDate } from '@core/words/days';
import { BarCode } from './bar-code';

interface BagLabelProps {
  propertyName: string;
  zone: Zone;
  sample: Sample;
  cores: number;
  depthIn: number;
  day: string;
}

/** The label of a bag, 2 3/8 by 1 1/4 in, black on white: what a laboratory and the next person need. */
export function BagLabel({ propertyName, zone, sample, cores, depthIn, day }: BagLabelProps) {
  return (
    <div className="baglabel" aria-label={`Label of ${sample.code}`}>
      <p>
        <span>{propertyName}</span>
        <span>{cores} cores</span>
      </p>
      <p className="zone">{zone.name}</p>
      <p className="ruled">
        <b>{sayDate(day)}</b>
        <span>0 to {depthIn} in, thatch off</span>
      </p>
      <div className="codes">
        <BarCode text={sample.code} />
        <p>
          <b className="code">{sample.code}</b>
          <span>{zone.texture.replaceAll('-', ' ')}</span>
        </p>
      </div>
    </div>
  );
}
