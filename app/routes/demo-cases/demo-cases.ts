const cases = import.meta.glob('../../../demo/*.json', { eager: true, import: 'default' });

/** The invented demo properties as one backup file, and whether this server was started to show them. Nothing personal. */
export function loader() {
  return Response.json({
    show: process.env.UBERTAS_DEMO === '1',
    backup: { format: 'ubertas-backup', version: 1, cases: Object.values(cases) },
  });
}
