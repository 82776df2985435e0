import type { ZoneSeason } from './season-plan';

/** Whether a zone's soil is below the window of its grass, or still waits for lime (B5). */
export const isAcidSoil = ({ read, prescription }: Pick<ZoneSeason, 'read' | 'prescription'>): boolean =>
  read?.ph?.place === 'too-acid' || prescription.ph.action === 'lime';
