import { Checkbox } from 'antd';
import type { Target, Tool } from './pointing';
import type { SnapSwitches } from './snap';

export const TOOL_KEYS: readonly { tool: Tool; name: string; key: string }[] = [
  { tool: 'select', name: 'Select', key: 'S' },
  { tool: 'outline', name: 'Outline', key: 'O' },
  { tool: 'rectangle', name: 'Rectangle', key: 'R' },
  { tool: 'triangle', name: 'Three sides', key: 'T' },
  { tool: 'circle', name: 'Circle', key: 'C' },
  { tool: 'ellipse', name: 'Ellipse', key: 'E' },
  { tool: 'offsets', name: 'Offsets', key: 'B' },
];
const TARGET_KEYS: readonly { target: Target; name: string; key: string }[] = [
  { target: 'cut-out', name: 'Cut-out', key: 'X' },
  { target: 'water', name: 'Keep clear', key: 'K' },
  { target: 'building', name: 'Building', key: 'D' },
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
  const snapTo = (key: keyof SnapSwitches, name: string) => (
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
            keyCap={each.key}
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
            keyCap={each.key}
            current={target === each.target}
            onClick={() => onTarget(each.target)}
          />
        ))}
      </ul>
      <h2>Bring in</h2>
      <ul>
        <ToolButton name="Walked track" keyCap="G" current={false} onClick={onTrack} />
        <ToolButton name="Zones file" keyCap="J" current={false} onClick={onZonesFile} />
        <ToolButton name="Plan picture" keyCap="I" current={false} onClick={onPicture} />
      </ul>
      <h2>
        Snap to{' '}
        <span className="kbd" aria-hidden="true">
          N
        </span>
      </h2>
      <ul className="snaps">
        {snapTo('corners', 'corners and sides')}
        {snapTo('rightAngles', 'right angles')}
        {snapTo('wholeFeet', 'whole feet')}
      </ul>
    </>
  );
}
