import { between, dosesOf, lbOf, standingOf, zoneOf } from './lawn-page';
import { feedings, LATE, must, noFail, ph, type ReferenceLawn, shareFromFall, uses } from './must';

/** Lawns of our own invention, each for a rule or a place where rules meet. */
export const OWN_LAWNS: readonly ReferenceLawn[] = [
  {
    case: 'chalk-dry',
    on: LATE,
    musts: [
      must('nothing against free lime (B6)', (p) => ph(p).action === 'leave' && dosesOf(p, 'sulfur').length === 0),
      must('ammonium before urea that nobody waters in (C5)', (p) => !uses(p, 'urea-46') && feedings(p).length > 0),
    ],
  },
  {
    case: 'high-everything',
    on: LATE,
    musts: [
      must('no P2O5 and no K2O', (p) => lbOf(zoneOf(p).doses, 'P2O5') === 0 && lbOf(zoneOf(p).doses, 'K2O') === 0),
      noFail,
    ],
  },
  {
    case: 'under-limit',
    on: LATE,
    musts: [
      must('"under 5 ppm P" is very low, and P2O5 is fed (A5)', (p) => zoneOf(p).prescription.phosphorus.yearLb > 0),
      must('"under 20 ppm K" is very low, and K2O is fed', (p) => zoneOf(p).prescription.potassium.yearLb > 0),
    ],
  },
  {
    case: 'old-report',
    on: LATE,
    musts: [
      must(
        'nothing is prescribed from a report of six years ago (A7)',
        (p) => zoneOf(p).prescription.phosphorus.yearLb === 0 && dosesOf(p, 'lime').length === 0,
      ),
    ],
  },
  {
    case: 'ryegrass-mild',
    on: LATE,
    musts: [must('a little more than half in fall', (p) => shareFromFall(p) >= 0.45), noFail],
  },
  {
    case: 'zoysia-shade',
    on: LATE,
    musts: [
      must('shade gets less (C6)', (p) => zoneOf(p).prescription.nitrogen.year.value < 2),
      must('fed while it is green', (p) => feedings(p).every((d) => d.date >= '2027-04-15' && d.date <= '2027-09-15')),
    ],
  },
  {
    case: 'st-augustine',
    on: LATE,
    musts: [
      must('K2O and Mg for a hungry sand', (p) => lbOf(zoneOf(p).doses, 'K2O') > 0.5),
      must('no dose over what sand holds (C4)', (p) => standingOf(p, 'soluble-n') !== 'fail'),
      noFail,
    ],
  },
  {
    case: 'buffalo-low',
    on: LATE,
    musts: [
      must('pH 7.7 is its own (B9)', (p) => ph(p).action === 'none' || ph(p).action === 'leave'),
      must('a pound of N at most', (p) => lbOf(feedings(p)) <= 1.01),
    ],
  },
  {
    case: 'sod-bermuda',
    on: LATE,
    musts: [
      must('lime before the sod, worked in or as for grown grass', (p) => dosesOf(p, 'lime').length > 0),
      must('no nitrogen before the day of sodding', (p) => feedings(p).every((d) => d.date >= '2027-05-16')),
    ],
  },
  {
    case: 'code-closed',
    on: LATE,
    musts: [
      must('nothing with N in the closed months', (p) =>
        feedings(p).every((d) => d.date.slice(5) > '04-01' && d.date.slice(5) < '11-15'),
      ),
      must('no dose over 0.7 lb N', (p) => feedings(p).every((d) => (d.delivers.N ?? 0) <= 0.7001)),
      noFail,
    ],
  },
  {
    case: 'nitrate-water',
    on: LATE,
    musts: [
      must('the water’s nitrate comes off the year (A13)', (p) =>
        zoneOf(p).prescription.nitrogen.steps.some((s) => /water/i.test(s.says)),
      ),
    ],
  },
  {
    case: 'muck-p-high',
    on: LATE,
    musts: [
      must('organic matter and shade take at most half (C6)', (p) => zoneOf(p).prescription.nitrogen.year.value >= 1),
      must('K low is fed', (p) => lbOf(zoneOf(p).doses, 'K2O') > 0.3),
    ],
  },
  {
    case: 'overseeded-bermuda',
    on: LATE,
    musts: [
      must('the winter grass is fed three to six weeks after sowing (C9)', (p) =>
        between(feedings(p), '10-31', '11-21').some((d) => (d.delivers.N ?? 0) <= 0.501),
      ),
      must(
        'nothing for it in the four weeks before transition',
        (p) => between(feedings(p), '03-24', '04-20').length === 0,
      ),
      must('bermuda fed after transition, and not in the weeks before sowing', (p) => {
        const summer = between(feedings(p), '04-21', '10-09');
        return summer.length > 1 && summer.every((d) => d.date.slice(5) < '09-12');
      }),
      noFail,
    ],
  },
  {
    case: 'overseeded-desert',
    on: LATE,
    musts: [
      must(
        'the winter grass is fed every four weeks under high care (C9)',
        (p) => between(feedings(p), '01-01', '04-02').length >= 3,
      ),
      must('never more than half a pound to it', (p) =>
        [...between(feedings(p), '01-01', '05-01'), ...between(feedings(p), '10-15', '12-31')].every(
          (d) => (d.delivers.N ?? 0) <= 0.501,
        ),
      ),
      must('bermuda has its own year beside it', (p) => lbOf(between(feedings(p), '05-02', '09-16')) > 3),
    ],
  },
  {
    case: 'iron-short',
    on: LATE,
    musts: [
      must(
        'iron that reads short is sprayed three times, out of the heat (D5)',
        (p) => dosesOf(p, 'iron').length === 3 && standingOf(p, 'foliar-heat') === undefined,
      ),
      must('0.75 oz Fe a spray at most', (p) => dosesOf(p, 'iron').every((d) => (d.delivers.Fe ?? 0) * 16 <= 0.75)),
      must('no sulfur on free lime (B6)', (p) => dosesOf(p, 'sulfur').length === 0),
      noFail,
    ],
  },
  {
    case: 'salty-water',
    on: LATE,
    musts: [
      must(
        'salty water is saline for centipede in the long run (A13)',
        (p) => zoneOf(p).prescription.salinity.standing === 'saline',
      ),
      must('K2O as the sulfate', (p) => !uses(p, 'muriate-of-potash-60')),
    ],
  },
  {
    case: 'sodium-water',
    on: LATE,
    musts: [
      must('gypsum dated (B8)', (p) => dosesOf(p, 'gypsum').length > 0),
      must('the sodium of the water puts it in doubt (A13)', (p) =>
        zoneOf(p).prescription.cautions.some((says) => /SAR is 12\.5/.test(says)),
      ),
      must('no sulfur', (p) => dosesOf(p, 'sulfur').length === 0),
    ],
  },
  {
    case: 'lime-water',
    on: LATE,
    musts: [
      must('the lime of the water is why the pH will not stay down (A13)', (p) =>
        /will not stay down/.test(ph(p).says),
      ),
      must('2 lb S a dose at most on weak soil (B7)', (p) =>
        dosesOf(p, 'sulfur').every((d) => (d.delivers['S-free'] ?? 0) <= 2.001),
      ),
    ],
  },
  {
    case: 'renovated-fescue',
    on: '2027-03-10',
    musts: [
      must('the starter on the day of renovation (C8)', (p) => dosesOf(p, 'P2O5').some((d) => d.date === '2027-08-30')),
      must('nothing fed before it', (p) => feedings(p).every((d) => d.date >= '2027-08-30')),
      must('no dose over the code’s 0.9 lb N', (p) => feedings(p).every((d) => (d.delivers.N ?? 0) <= 0.9001)),
      noFail,
    ],
  },
  {
    case: 'fine-fescue-shade',
    on: LATE,
    musts: [
      must('little: under a pound a year', (p) => lbOf(feedings(p)) <= 1.01),
      must(
        'all but half a pound in fall (C1)',
        (p) => lbOf(feedings(p)) - lbOf(feedings(p)) * shareFromFall(p) <= 0.51,
      ),
      noFail,
    ],
  },
  {
    case: 'bent-fine-granules',
    on: LATE,
    musts: [
      must(
        'the fine granules and nothing coarser (C10)',
        (p) => feedings(p).length > 5 && feedings(p).every((d) => d.productId === 'fine-18-0-9'),
      ),
      must('fed in summer too, lightly', (p) =>
        between(feedings(p), '06-01', '08-15').every((d) => (d.delivers['N-soluble'] ?? 0) <= 0.2501),
      ),
      noFail,
    ],
  },
  {
    case: 'paspalum-coast',
    on: LATE,
    musts: [
      must(
        '7.5 dS/m in the paste is ordinary for paspalum (A3)',
        (p) => zoneOf(p).prescription.salinity.standing === 'ordinary',
      ),
      must('no dose over what sand holds (C4)', (p) => standingOf(p, 'soluble-dose') !== 'fail'),
      noFail,
    ],
  },
  {
    case: 'very-acid-sand',
    on: LATE,
    musts: [
      must(
        'limed below the buffer’s own range, as an estimate (B1)',
        (p) => ph(p).action === 'lime' && ph(p).estimate === true,
      ),
      must('25 lb lime a dose at most on sand', (p) => dosesOf(p, 'lime').every((d) => d.rateLb <= 25.001)),
      must('no ammonium sulfate (C5)', (p) => !uses(p, 'ammonium-sulfate-21')),
    ],
  },
  {
    case: 'licensed-winter',
    on: LATE,
    musts: [
      must('nothing with N from December to February', (p) =>
        feedings(p).every((d) => d.date.slice(5) > '03-01' && d.date.slice(5) <= '11-30'),
      ),
      must('soluble N at 0.7 lb a dose at most (D4)', (p) =>
        feedings(p).every((d) => (d.delivers['N-soluble'] ?? 0) <= 0.7001),
      ),
      noFail,
    ],
  },
];
