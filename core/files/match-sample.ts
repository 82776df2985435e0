import type { ReportSample } from '../reports/reading';

/** A zone that a sample may belong to. */
export interface ZoneTarget {
  propertyId: string;
  propertyName: string;
  zoneId: string;
  zoneName: string;
}
/** A bag whose report is awaited. */
export interface CodeTarget {
  code: string;
  propertyId: string;
  zoneId: string;
  sampleId: string;
  takenOn?: string;
}
export interface Match {
  propertyId: string;
  zoneId: string;
  sampleId?: string;
  takenOn?: string;
}

const plain = (text: string): string => text.trim().toLowerCase();

/**
 * Finds the zone of a sample: by its bag's code, else by the names of property and zone, else by the zone's name where only
 * one zone has it; what a person assigned by hand comes before all of it.
 */
export class SampleMatcher {
  private readonly codes: Map<string, CodeTarget>;
  private readonly byBoth = new Map<string, ZoneTarget>();
  private readonly byName = new Map<string, ZoneTarget[]>();
  private readonly here = new Map<string, ZoneTarget>();
  private readonly properties: ReadonlySet<string>;

  constructor(
    codes: readonly CodeTarget[],
    zones: readonly ZoneTarget[],
    private readonly propertyId: string | undefined,
    private readonly assigned: Readonly<Record<string, { propertyId: string; zoneId: string } | 'leave-out'>> = {},
  ) {
    this.properties = new Set(zones.map((zone) => plain(zone.propertyName)));
    this.codes = new Map(codes.map((c) => [plain(c.code), c]));
    for (const zone of zones) {
      this.byBoth.set(`${plain(zone.propertyName)}|${plain(zone.zoneName)}`, zone);
      const name = plain(zone.zoneName);
      const same = this.byName.get(name);
      if (same) same.push(zone);
      else this.byName.set(name, [zone]);
      if (zone.propertyId === propertyId) this.here.set(name, zone);
    }
  }

  /** The zone, or why none was found. */
  match({ label, names }: Pick<ReportSample, 'label' | 'names'>): Match | string {
    const byHand = Object.hasOwn(this.assigned, label) ? this.assigned[label] : undefined;
    if (byHand === 'leave-out') return 'left out by you';
    if (byHand) return byHand;
    const called = [
      ...new Set([label, names.bag, names.sample, names.field, names.labNumber].flatMap((n) => (n ? [plain(n)] : []))),
    ];
    for (const name of called) {
      const bag = this.codes.get(name);
      if (bag) return bag;
    }
    for (const name of called) {
      // a client that no property is called after says nothing; another property's client does
      const elsewhere = names.property !== undefined && this.properties.has(plain(names.property));
      const zone = elsewhere ? this.byBoth.get(`${plain(names.property as string)}|${name}`) : this.here.get(name);
      if (zone) return zone;
    }
    for (const name of called) {
      const named = this.byName.get(name) ?? [];
      if (named.length === 1 && !names.property && this.propertyId === undefined) return named[0] as ZoneTarget;
      if (named.length > 1) return `several zones are called “${label}”: say which`;
    }
    return label === '' ? 'the line names no sample' : `no bag and no zone is called “${label}”`;
  }
}
