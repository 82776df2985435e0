import { Select } from 'antd';
import { useId } from 'react';
import { Link } from 'react-router';
import type { LocalCode } from '@core/records/case';
import { placeHash } from '../../ui/place';

export interface CodeOption {
  id: string;
  name: string;
  /** Own, or the pack it is of. */
  of: string;
}

/** Which local codes a property is under: the stricter of each line holds. */
export function CodesChoice({
  carried,
  options,
  onChoose,
}: {
  carried: readonly LocalCode[];
  options: readonly CodeOption[];
  onChoose: (ids: string[]) => void;
}) {
  const id = useId();
  const groups = [...new Set(options.map((option) => option.of))];
  return (
    <div className="codeschoice">
      <div className="field">
        <label className="label" htmlFor={id}>
          <span>Local codes</span>
          <span>
            {carried.length > 1 ? 'the stricter of each line holds' : carried.length === 0 ? 'none chosen' : ''}
          </span>
        </label>
        <Select
          id={id}
          mode="multiple"
          value={carried.map((code) => code.id)}
          placeholder="none"
          options={groups.map((of) => ({
            label: of,
            options: options
              .filter((option) => option.of === of)
              .map(({ id: value, name }) => ({ value, label: name })),
          }))}
          onChange={onChoose}
          showSearch={{ optionFilterProp: 'label' }}
          virtual={false}
        />
      </div>
      <Link
        className="link"
        to={{ pathname: '/settings/codes', hash: carried[0] ? placeHash({ code: carried[0].id }) : '' }}
      >
        Read, copy or edit the codes
      </Link>
    </div>
  );
}
