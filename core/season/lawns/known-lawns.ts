import { between, dosesOf, lbOf, standingOf, zoneOf } from './lawn-page';
import { feedings, LATE, must, near, noFail, ph, type ReferenceLawn, shareFromFall, uses } from './must';

/** Lawns whose answers every agronomist knows beforehand (F). */
export const KNOWN_LAWNS: readonly ReferenceLawn[] = [
  {
    case: 'fescue-loam',
    on: LATE,
    musts: [
      must(
        '60 to 75 % of the nitrogen from the start of fall on (C1)',
        (p) => shareFromFall(p) >= 0.6 && shareFromFall(p) <= 0.76,
      ),
      must('no soluble dose over 0.25 lb N in June and July', (p) =>
        between(feedings(p), '06-01', '07-31').every((d) => (d.delivers['N-soluble'] ?? 0) <= 0.25),
      ),
      must('three to five feedings', (p) => feedings(p).length >= 3 && feedings(p).length <= 5),
      noFail,
    ],
  },
  {
    case: 'bermuda-sandy',
    on: LATE,
    musts: [
      must('fed in May, June, and July or August', (p) =>
        [
          ['05-01', '05-31'],
          ['06-01', '06-30'],
          ['07-01', '08-31'],
        ].every(([a = '', b = '']) => between(feedings(p), a, b).length > 0),
      ),
      must('no month of growth bare (C2)', (p) => standingOf(p, 'bare-months') !== 'fail'),
      noFail,
    ],
  },
  {
    case: 'bermuda-july',
    on: '2027-07-24',
    musts: [
      must('nothing before the report', (p) => zoneOf(p).doses.every((d) => d.date >= '2027-07-24')),
      must('at most half of the year is left to give (C3)', (p) => lbOf(feedings(p)) <= 1.6),
    ],
  },
  {
    case: 'bahia-sand-acid',
    on: LATE,
    musts: [
      must(
        'lime, with a buffer that nobody doubts (B1)',
        (p) => ph(p).action === 'lime' && zoneOf(p).read?.doubts.every((d) => !/contradict/i.test(d)) === true,
      ),
      must(
        'the first lime within eight weeks of New Year (B5)',
        (p) => (dosesOf(p, 'lime')[0]?.date ?? '9') <= '2027-02-26',
      ),
      must('25 lb lime a dose at most on sand', (p) => dosesOf(p, 'lime').every((d) => d.rateLb <= 25.001)),
      must('no ammonium sulfate (C5)', (p) => !uses(p, 'ammonium-sulfate-21')),
    ],
  },
  {
    case: 'fescue-no-buffer',
    on: LATE,
    musts: [
      must(
        'a first dose of 50 lb lime that cannot be wrong (B1)',
        (p) => near(ph(p).doses[0], 50) && ph(p).doses.length === 1,
      ),
      must('the check "pH not settled" fails until a new report', (p) => standingOf(p, 'ph-settled') === 'fail'),
      must('dated before spring', (p) => (dosesOf(p, 'lime')[0]?.date ?? '9') < '2027-03-20'),
    ],
  },
  {
    case: 'lime-logged',
    on: LATE,
    musts: [
      must(
        'no more lime: what is down meets the need (B4)',
        (p) => dosesOf(p, 'lime').length === 0 && ph(p).doses.length === 0,
      ),
      must('retest is said', (p) => /[Rr]etest/.test(ph(p).says + (ph(p).waits ?? ''))),
    ],
  },
  {
    case: 'sulfur-two-given',
    on: LATE,
    musts: [
      must('at most one dose of sulfur, and a new report first (B7)', (p) => dosesOf(p, 'sulfur').length <= 1),
      must('2 lb S a dose at most on weak soil', (p) =>
        dosesOf(p, 'sulfur').every((d) => (d.delivers['S-free'] ?? 0) <= 2.001),
      ),
    ],
  },
  {
    case: 'centipede-sand',
    on: LATE,
    musts: [
      must(
        '2 lb S a dose and a fifth of the CEC a year at most (B7)',
        (p) =>
          dosesOf(p, 'sulfur').every((d) => (d.delivers['S-free'] ?? 0) <= 2.001) &&
          lbOf(dosesOf(p, 'sulfur'), 'S-free') <= 3.2 + 1e-9,
      ),
    ],
  },
  {
    case: 'bluegrass-clay',
    on: LATE,
    musts: [
      must(
        'pH 7.4 is left alone, and the fizz test is asked for (B6)',
        (p) => ph(p).action === 'leave' && dosesOf(p, 'sulfur').length === 0,
      ),
      must('most of it in fall', (p) => shareFromFall(p) >= 0.5),
    ],
  },
  {
    case: 'k-per-acre',
    on: LATE,
    musts: [
      must('84 lb K an acre are 42 ppm, whatever the core (A1)', (p) =>
        near(zoneOf(p).read?.findings.find((f) => f.analyte === 'K')?.value, 42),
      ),
    ],
  },
  {
    case: 'salty-centipede',
    on: LATE,
    musts: [
      must(
        '2.9 in a 1:2 extract is about 7.5 in the paste, saline for centipede (A3)',
        (p) => zoneOf(p).prescription.salinity.standing === 'saline',
      ),
      must('no muriate', (p) => !uses(p, 'muriate-of-potash-60')),
    ],
  },
  {
    case: 'sodic-clay',
    on: LATE,
    musts: [
      must('gypsum dated (B8)', (p) => dosesOf(p, 'gypsum').length > 0),
      must('no sulfur', (p) => dosesOf(p, 'sulfur').length === 0),
    ],
  },
  {
    case: 'new-seeding',
    on: '2027-03-05',
    musts: [
      must('the starter on the day of seeding (C8)', (p) => dosesOf(p, 'P2O5').some((d) => d.date === '2027-09-12')),
      must('no nitrogen before it', (p) => feedings(p).every((d) => d.date >= '2027-09-12')),
      must('half a pound of N four to six weeks on', (p) =>
        between(feedings(p), '10-10', '10-24').some((d) => near(d.delivers.N, 0.5, 0.05)),
      ),
      must(
        'lime before it',
        (p) => dosesOf(p, 'lime').every((d) => d.date < '2027-09-12') && dosesOf(p, 'lime').length > 0,
      ),
    ],
  },
  {
    case: 'only-organics',
    on: LATE,
    musts: [
      must(
        'organics with P2O5 stay off soil that wants none',
        (p) => !uses(p, 'biosolid-5-3-0') && !uses(p, 'poultry-4-3-3'),
      ),
      must('fed by the one that is left', (p) => feedings(p).every((d) => d.productId === 'meal-8-0-4')),
    ],
  },
  {
    case: 'only-starter',
    on: LATE,
    musts: [must('nothing is fed, and it is said', (p) => feedings(p).length === 0 && zoneOf(p).unplaced.length > 0)],
  },
  {
    case: 'empty-shelf',
    on: LATE,
    musts: [must('no doses, and it is said', (p) => zoneOf(p).doses.length === 0 && zoneOf(p).unplaced.length > 0)],
  },
  {
    case: 'two-zones',
    on: '2027-08-12',
    musts: [
      must('the zone sampled in August begins there', (p) => feedings(p, 'a').every((d) => d.date >= '2027-08-10')),
      must('the other is fed from spring', (p) => feedings(p, 'b').some((d) => d.date < '2027-06-15')),
    ],
  },
  {
    case: 'limed-fescue',
    on: LATE,
    musts: [
      must('limed', (p) => dosesOf(p, 'lime').length > 0),
      must(
        'another source than ammonium sulfate (C5)',
        (p) => !uses(p, 'ammonium-sulfate-21') && feedings(p).length > 0,
      ),
    ],
  },
  {
    case: 'two-reports',
    on: LATE,
    musts: [
      must(
        'pH of November, P, K and Mg of May (A6)',
        (p) =>
          near(zoneOf(p).read?.ph?.ph, 6.2) && near(zoneOf(p).read?.findings.find((f) => f.analyte === 'K')?.value, 57),
      ),
      must('no lime on the pH of May', (p) => dosesOf(p, 'lime').length === 0),
    ],
  },
  {
    case: 'putting-green',
    on: LATE,
    musts: [
      must(
        'the liquid and nothing else (C10)',
        (p) => feedings(p).length > 4 && feedings(p).every((d) => d.productId === 'liquid-slow-25'),
      ),
      must('0.25 lb soluble N a dose at most', (p) =>
        feedings(p).every((d) => (d.delivers['N-soluble'] ?? 0) <= 0.2501),
      ),
    ],
  },
  {
    case: 'centipede-loam',
    on: LATE,
    musts: [must('one or two feedings', (p) => feedings(p).length >= 1 && feedings(p).length <= 2), noFail],
  },
  {
    case: 'only-24-0-11',
    on: LATE,
    musts: [
      must('fed with it although K is enough (D1)', (p) => feedings(p).length > 1),
      must('a warning, no bar', (p) => standingOf(p, 'potassium-year') === 'warn'),
    ],
  },
];
