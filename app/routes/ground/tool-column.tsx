import { Checkbox } from 'antd';
import { type KeyId, KEYS } from '../../ui/keys';
import type { Target, Tool } from './draft/pointing';
import type { SnapSwitches } from './draft/snap';
import { useUnits } from '../../ui/format';

export const TOOL_KEYS: readonly { tool: Tool; name: string }[] = [
  { tool: 'select', name: 'Select' },
  { tool: 'outline', name: 'Outline' },
  { tool: 'rectangle', name: 'Rectangle' },
  { tool: 'triangle', name: 'Three sides' },
  { tool: 'circle', name: 'Circle' },
  { tool: 'ellipse', name: 'Ellipse' },
  { tool: 'offsets', name: 'Offsets' },
];
const TARGET_KEYS: readonly { target: Target & KeyId; name: string }[] = [
  { target: 'cut-out', name: 'Cut-out' },
  { target: 'water', name: 'Keep clear' },
  { target: 'building', name: 'Building' },
];

interface ToolColumnProps {
  tool: Tool;
  target: Target;
  onTool: (tool: Tool) => void;
  onTarget: (target: Target) => void;
  switches: SnapSwitches;
  onSwitches: (switches: SnapSwitches) => void;
  onTrack: () => void;
  onZonesFile: () => void;
  onPicture: () => void;
}

function ToolButton({
  name,
  keyCap,
  current,
  onClick,
}: {
  name: string;
  keyCap: string;
  current: boolean;
  onClick: () => void;
}) {
  return (
    <li>
      <button type="button" className="tool" aria-pressed={current} onClick={onClick}>
        {name}
        <span className="kbd" aria-hidden="true">
          {keyCap}
        </span>
      </button>
    </li>
  );
}

/** Tools as words with their keys: draw, take away, bring in, snap. */
export function ToolColumn({
  tool,
  target,
  onTool,
  onTarget,
  switches,
  onSwitches,
  onTrack,
  onZonesFile,
  onPicture,
}: ToolColumnProps) {
  const units = useUnits();
  const snapTo = (key: Exclude<keyof SnapSwitches, 'stepFt'>, name: string) => (
    <li>
      <Checkbox checked={switches[key]} onChange={(event) => onSwitches({ ...switches, [key]: event.target.checked })}>
        {name}
      </Checkbox>
    </li>
  );
  return (
    <>
      <h2>Draw</h2>
      <ul>
        {TOOL_KEYS.map((each) => (
          <ToolButton
            key={each.tool}
            name={each.name}
            keyCap={KEYS[each.tool].shows}
            current={target === 'zone' && tool === each.tool}
            onClick={() => onTool(each.tool)}
          />
        ))}
      </ul>
      <h2>Take away, mark</h2>
      <ul>
        {TARGET_KEYS.map((each) => (
          <ToolButton
            key={each.target}
            name={each.name}
            keyCap={KEYS[each.target].shows}
            current={target === each.target}
            onClick={() => onTarget(each.target)}
          />
        ))}
      </ul>
      <h2>Bring in</h2>
      <ul>
        <ToolButton name="Walked track" keyCap={KEYS.track.shows} current={false} onClick={onTrack} />
        <ToolButton name="Zones file" keyCap={KEYS['zones-file'].shows} current={false} onClick={onZonesFile} />
        <ToolButton name="Plan picture" keyCap={KEYS.picture.shows} current={false} onClick={onPicture} />
      </ul>
      <h2>
        Snap to{' '}
        <span className="kbd" aria-hidden="true">
          {KEYS.snap.shows}
        </span>
      </h2>
      <ul className="snaps">
        {snapTo('corners', 'corners and sides')}
        {snapTo('rightAngles', 'right angles')}
        {snapTo('wholeFeet', units.drawingStep().snaps)}
      </ul>
    </>
  );
}
