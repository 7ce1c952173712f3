import { fixedPoint, settled, tabulate } from '../numerics/index.ts';
import { requireWithin } from '../quantities/index.ts';

/**
 * Coefficients of the general formula for the density of ethanol–water mixtures,
 * OIML International Recommendation R 22 (1973), International alcoholometric tables. Valid −20 to 40 °C, mass fraction 0 to 1.
 */
const A = [
  998.20123, -192.9769495, 389.1238958, -1668.103923, 13522.15441, -88292.78388, 306287.4042, -613838.1234, 747017.2998, -547846.1354,
  223446.0334, -39032.85426,
] as const;
const B = [-0.20618513, -0.0052682542, 3.6130013e-5, -3.8957702e-7, 7.169354e-9, -9.9739231e-11] as const;
const C = [
  [
    0.1693443461530087, -10.46914743455169, 71.96353469546523, -704.7478054272792, 3924.090430035045, -12101.64659068747, 22486.46550400788,
    -26055.62982188164, 18522.73922069467, -7420.201433430137, 1285.617841998974,
  ],
  [
    -0.0119301300505701, 0.2517399633803461, -2.170575700536993, 13.53034988843029, -50.29988758547014, 109.635566657757,
    -142.2753946421155, 108.043594285623, -44.14153236817392, 7.442971530188783,
  ],
  [
    -6.802995733503803e-4, 0.01876837790289664, -0.2002561813734156, 1.02299296671922, -2.895696483903638, 4.810060584300675,
    -4.672147440794683, 2.458043105903461, -0.5411227621436812,
  ],
  [4.075376675622027e-6, -8.76305857347111e-6, 6.515031360099368e-6, -1.51578483698721e-6],
  [-2.788074354782409e-8, 1.345612883493354e-8],
] as const;

function powersFrom(first: number, coefficients: readonly number[], x: number): number {
  let sum = 0;
  for (let i = coefficients.length - 1; i >= 0; i--) sum = sum * x + (coefficients[i] ?? 0);
  return first === 0 ? sum : sum * x;
}

/** Density of ethanol–water, kg/m³, from the mass fraction of ethanol (0 to 1) and the temperature (−20 to 40 °C). OIML R 22. */
export function ethanolWaterDensityKgPerM3(massFraction: number, tempC = 20): number {
  requireWithin('The temperature', tempC, -20, 40, '°C');
  const atTwenty = powersFrom(0, A, massFraction);
  const dt = tempC - 20;
  if (dt === 0) return atTwenty;
  let warm = atTwenty + powersFrom(1, B, dt);
  C.forEach((row, i) => {
    warm += powersFrom(1, row, massFraction) * dt ** (i + 1);
  });
  return warm;
}

/** Pure ethanol at 20 °C, kg/m³ (OIML R 22). */
export const ETHANOL_20_KG_PER_M3 = ethanolWaterDensityKgPerM3(1);

/**
 * Mass fraction of ethanol in ethanol–water of this % by volume at 20 °C.
 * @param abv 0 to 100 % vol
 */
export function ethanolMassFractionFromAbv(abv: number): number {
  requireWithin('The alcohol', abv, 0, 100, '% vol');
  return massFractionFromGPerL((abv / 100) * ETHANOL_20_KG_PER_M3);
}

/** Newton on p·ρ(p) = c; the density's slope is left out of the derivative, which only slows it a little. */
function massFractionFromGPerL(ethanolGPerL: number): number {
  if (ethanolGPerL === 0) return 0;
  const nearer = (p: number): number => Math.min(1, p - (p * powersFrom(0, A, p) - ethanolGPerL) / 900);
  return settled(fixedPoint(nearer, ethanolGPerL / 975, 1e-12, 200));
}

const densityByEthanol = tabulate((g) => powersFrom(0, A, massFractionFromGPerL(Math.max(0, g))), 0, ETHANOL_20_KG_PER_M3, 1);

/** Density at 20 °C, kg/m³, of ethanol–water holding 0 to 789 g of ethanol in a liter, read from a table within 1e-4 kg/m³. */
export const ethanolWaterDensityFromGPerL = (ethanolGPerL: number): number => densityByEthanol(Math.max(0, ethanolGPerL));

/** OIML R 22 ends at 40 °C; a warmer sample is taken to expand as at 40. */
const WARMEST_C = 40;
/** kg/m³ by which ethanol–water of this % vol differs from water at `tempC` more than it does at 20 °C. */
export function ethanolDeficitShift(abv: number, tempC: number): number {
  if (abv <= 0) return 0;
  const massFraction = ethanolMassFractionFromAbv(abv);
  const at = Math.min(WARMEST_C, tempC);
  const warm = ethanolWaterDensityKgPerM3(massFraction, at) - ethanolWaterDensityKgPerM3(0, at);
  return warm - (ethanolWaterDensityKgPerM3(massFraction) - ethanolWaterDensityKgPerM3(0));
}

/** Grams of ethanol in a liter of this % vol at 20 °C. */
export const ethanolGPerL = (abv: number): number => (abv / 100) * ETHANOL_20_KG_PER_M3;

/** % vol at 20 °C from grams of ethanol in a liter. */
export const abvFromEthanolGPerL = (ethanolGPerL: number): number => (100 * ethanolGPerL) / ETHANOL_20_KG_PER_M3;
