import { useMemo } from 'react';
import type { Sample, Zone } from '@core/records/case';
import { groundOf, type ZoneGround } from '@core/ground/zone-ground';
import { type Figure, sureFigure, traced } from '@core/reckoning/figure';
import type { Pair } from '@core/reckoning/inputs';
import { isRefusal } from '@core/reckoning/refusal';
import { coreCount } from '@core/sampling/cores';
import { samplingWait, type SamplingWait } from '@core/sampling/wait';
import { zigzag } from '@core/sampling/zigzag';
import { usePropertyWork } from '../../work/use-property-work';

/** One zone's sampling: its cores, its bag, what it waits for. */
export interface Column {
  zone: Zone;
  ground: ZoneGround | undefined;
  count: Figure;
  cores: readonly Pair[];
  /** The bag on its way, or the last one that came back. */
  sample: Sample | undefined;
  open: boolean;
  day: string;
  wait: SamplingWait;
}

export function useColumns(): Column[] {
  const { file, today, season } = usePropertyWork();
  return useMemo(
    () =>
      file.zones.map((zone): Column => {
        const ground = groundOf(zone, file.property.site);
        const known = isRefusal(ground) ? undefined : ground;
        const count = sureFigure(
          coreCount,
          { areaSqFt: traced(zone.areaSqFt, 'area of the zone', known?.toFeed) },
          { title: `Cores of ${zone.name}`, unit: 'cores', usedIn: 'Sample: the zigzag and the label.' },
        );
        const samples = (file.samples ?? []).filter((s) => s.zoneId === zone.id);
        const sample = samples.find((s) => !s.reportedOn) ?? samples.at(-1);
        const day = sample?.takenOn ?? sample?.plannedOn ?? today;
        const planned = season.zones.find((z) => z.zone.id === zone.id)?.doses ?? [];
        // a path may be walked over, a bed or a building not
        const blocks = (known?.cutOuts ?? [])
          .filter((c) => !['path', 'paving'].includes(zone.cutOuts?.find((o) => o.id === c.id)?.kind ?? ''))
          .map((c) => c.corners);
        return {
          zone,
          ground: known,
          count,
          cores:
            known && known.fed.length > 0 ? zigzag(known.fed, known.corners, sample?.cores ?? count.value, blocks) : [],
          sample,
          open: sample !== undefined && !sample.reportedOn,
          day,
          wait: samplingWait(zone, file.products ?? [], day, sample?.takenOn ? [] : planned, today),
        };
      }),
    [file, today, season],
  );
}
