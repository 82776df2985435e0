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
];
