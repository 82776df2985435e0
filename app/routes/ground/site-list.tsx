import { Button, Input, Select } from 'antd';
import type { CutOut, Site } from '@core/records/case';
import { CUT_OUTS } from '@core/records/case';
import { cutOutName, type ZoneGround } from '@core/ground/zone-ground';
import { isRefusal } from '@core/reckoning/refusal';
import { optionsOf } from '../../ui/field';
import { useUnits } from '../../ui/format';

/** What is cut out of the zone in focus: kind, name, area, and away with it. */
export function CutOutList({
  cutOuts,
  ground,
  onChange,
  onDrop,
}: {
  cutOuts: readonly CutOut[];
  ground: ZoneGround | undefined;
  onChange: (cutOut: CutOut) => void;
  onDrop: (id: string) => void;
}) {
  const units = useUnits();
  if (cutOuts.length === 0) return null;
  const whole = (ground?.cutOuts ?? []).reduce((sum, c) => sum + c.sqFt, 0);
  return (
    <details className="cutouts">
      <summary>
        {cutOuts.length} cut out, {units.say('area', whole)}
      </summary>
      <ul>
        {cutOuts.map((cutOut) => (
          <li key={cutOut.id}>
            <Select
              aria-label={`What ${cutOutName(cutOut)} is`}
              size="small"
              value={cutOut.kind}
              options={optionsOf(CUT_OUTS)}
              onChange={(kind) => onChange({ ...cutOut, kind })}
              popupMatchSelectWidth={false}
              virtual={false}
            />
            <Input
              size="small"
              aria-label="Name of the cut-out"
              defaultValue={cutOut.name ?? ''}
              placeholder={cutOutName({ kind: cutOut.kind })}
              onBlur={(event) => {
                const name = event.target.value.trim();
                if (name !== (cutOut.name ?? '')) onChange({ ...cutOut, name: name || undefined });
              }}
            />
            <span className="small">
              {units.say('area', ground?.cutOuts.find((c) => c.id === cutOut.id)?.sqFt ?? 0)}
            </span>
            <Button size="small" onClick={() => onDrop(cutOut.id)}>
              Delete
            </Button>
          </li>
        ))}
      </ul>
    </details>
  );
}

/** Water and buildings of the whole sheet: names, the width kept clear, and away with them. */
export function SiteList({ site, onSite }: { site: Site | undefined; onSite: (site: Site, says: string) => void }) {
  const units = useUnits();
  const water = site?.water ?? [];
  const context = site?.context ?? [];
  if (water.length + context.length === 0) return null;
  const rename = (text: string, before: string | undefined) =>
    text.trim() === (before ?? '') ? undefined : text.trim();
  return (
    <section className="sitelist" aria-label="Water and buildings">
      <h2>On the sheet</h2>
      <ul>
        {water.map((each) => (
          <li key={each.id}>
            <Input
              aria-label="Name of the water"
              defaultValue={each.name ?? 'water'}
              onBlur={(event) => {
                const name = rename(event.target.value, each.name);
                if (name)
                  onSite({ ...site, water: water.map((w) => (w.id === each.id ? { ...w, name } : w)) }, 'Renamed.');
              }}
            />
            <Input
              aria-label={`Kept clear of ${each.name ?? 'water'}, ${units.unit('length')}`}
              suffix={`${units.unit('length')} clear`}
              defaultValue={units.field('length', each.keptClearFt)}
              onBlur={(event) => {
                const first = units.field('length', each.keptClearFt);
                if (event.target.value === first) return;
                const value = units.value('length', event.target.value, 'Kept clear', 'keptClear');
                if (isRefusal(value) || value === undefined || value < 0 || value > 1000) event.target.value = first;
                else if (value !== each.keptClearFt)
                  onSite(
                    { ...site, water: water.map((w) => (w.id === each.id ? { ...w, keptClearFt: value } : w)) },
                    `${units.field('length', value)} ${units.unit('length')} beside ${each.name ?? 'the water'} are kept clear.`,
                  );
              }}
            />
            <Button
              size="small"
              onClick={() =>
                onSite(
                  { ...site, water: water.filter((w) => w.id !== each.id) },
                  `${each.name ?? 'The water'} was taken off the sheet.`,
                )
              }
            >
              Delete
            </Button>
          </li>
        ))}
        {context.map((each) => (
          <li key={each.id}>
            <Input
              aria-label="Name of the building"
              defaultValue={each.name ?? 'building'}
              onBlur={(event) => {
                const name = rename(event.target.value, each.name);
                if (name)
                  onSite({ ...site, context: context.map((c) => (c.id === each.id ? { ...c, name } : c)) }, 'Renamed.');
              }}
            />
            <Button
              size="small"
              onClick={() =>
                onSite(
                  { ...site, context: context.filter((c) => c.id !== each.id) },
                  `${each.name ?? 'The building'} was taken off the sheet.`,
                )
              }
            >
              Delete
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
