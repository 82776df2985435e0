import { Button } from 'antd';
import type { OwnLine } from '@core/records/case';
import type { ZonePrescription } from '@core/prescription/prescription';
import { sayDate } from '@core/words/days';
import { Substances } from '../../../ui/substance';
import { useUnits } from '../../../ui/format';

const SUBSTANCE = { lime: 'lime', nitrogen: 'N', phosphorus: 'P2O5', potassium: 'K2O' } as const;
const KEY = { lime: 'limeLb', nitrogen: 'NLb', phosphorus: 'P2O5Lb', potassium: 'K2OLb' } as const;

/** What the laboratory itself advises for a line, beside ours; one action takes it as an override. */
export function LaboratoryAdvice({
  line,
  advice,
  taken,
  onTake,
}: {
  line: keyof typeof SUBSTANCE;
  advice: ZonePrescription['labAdvice'];
  /** The figure in force, lb/1000 ft2. */
  taken: number | undefined;
  onTake: (line: OwnLine, value: number, reason: string) => void;
}) {
  const units = useUnits();
  const lb = advice?.[KEY[line]];
  if (!advice || lb === undefined) return null;
  const same = taken !== undefined && Math.abs(taken - lb) < 1e-6;
  const quantity = line === 'lime' ? 'material-rate' : 'nutrient-rate';
  const who = advice.lab ?? 'The laboratory';
  return (
    <p className="small labadvice">
      <span>
        {who} advises {units.exact(quantity, lb, 2)} <Substances text={units.heading(quantity, SUBSTANCE[line])} />.
      </span>{' '}
      {same ? (
        <span>It is taken.</span>
      ) : (
        <Button
          size="small"
          type="text"
          className="ownbutton no-print"
          onClick={() =>
            onTake(line, lb, `Advised by ${advice.lab ?? 'the laboratory'}, report of ${sayDate(advice.sampledOn)}`)
          }
        >
          Take the laboratory’s figure
        </Button>
      )}
    </p>
  );
}
