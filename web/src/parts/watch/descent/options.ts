import type { FloatPoint } from '@hollow-bell/core/float';
import type { FanPoint } from '@hollow-bell/core/forecast';
import type { Ranged, UnitSystem } from '@hollow-bell/core/quantities';
import { DAY_MS, celsiusToF } from '@hollow-bell/core/quantities';
import type { ChartColors } from '../../../composables/useChartColors.ts';
import type { EChartsOption } from 'echarts/types/dist/shared';

export interface DescentData {
  startAt: number;
  endAt: number;
  readings: { at: number; sg: number; plusMinus: number; follows: boolean; isFloat: boolean }[];
  temps: readonly { at: number; tempC: number }[];
  /** Every reading that a float sent, as it came. */
  float: readonly FloatPoint[];
  happenings: { at: number; told: string }[];
  /** Gravity at which a third of the sugar is gone. */
  thirdBreakSg: number | null;
  /** Where this yeast should stop. */
  end: Ranged | null;
  units: UnitSystem;
  /** Where it is heading: the middle and the band in which four of five readings should lie. */
  forecast: readonly FanPoint[];
  /** Where it was heading as planned, while something else is asked. */
  compared: readonly FanPoint[];
}

const STEP_SG = 0.02;
const FONT = 'Atkinson Hyperlegible Next Variable';
const MONO = 'Atkinson Hyperlegible Mono Variable';

/** Lowest and highest gravity to show: all readings, the break and the end, a little air, whole hundredths. */
function gravityExtent(data: DescentData): [number, number] {
  const values = [
    ...data.readings.flatMap((r) => [r.sg - r.plusMinus, r.sg + r.plusMinus]),
    ...(data.end === null ? [] : [data.end.low]),
    ...(data.thirdBreakSg === null ? [] : [data.thirdBreakSg]),
    ...[...data.forecast, ...data.compared].map(({ low }) => low),
  ];
  if (values.length === 0) return [0.98, 1.12];
  return [Math.floor((Math.min(...values) - 0.003) / STEP_SG) * STEP_SG, Math.ceil((Math.max(...values) + 0.003) / STEP_SG) * STEP_SG];
}

/** Two rows of labels over the chart; where both are taken, the line stands without its word. */
const LABEL_SHARE = 0.1;
function inRows(happenings: DescentData['happenings'], day: (at: number) => number, lastDay: number) {
  const freeFrom = [Number.NEGATIVE_INFINITY, Number.NEGATIVE_INFINITY];
  return happenings.map(({ at, told }) => {
    const row = freeFrom.findIndex((from) => day(at) >= from);
    if (row >= 0) freeFrom[row] = day(at) + LABEL_SHARE * lastDay;
    return { at, told, row };
  });
}

/** The fan ahead: its lower edge unseen, its breadth stacked upon it, its middle dashed. */
function bandSeries({ forecast, compared }: DescentData, colors: ChartColors, day: (at: number) => number) {
  if (forecast.length === 0) return [];
  const line = { type: 'line' as const, symbol: 'none', silent: true, z: 1 };
  return [
    { ...line, name: 'forecast, from', stack: 'fan', lineStyle: { opacity: 0 }, data: forecast.map(({ at, low }) => [day(at), low]) },
    {
      ...line,
      name: 'forecast, to',
      stack: 'fan',
      lineStyle: { opacity: 0 },
      areaStyle: { color: colors.verdigris, opacity: 0.22 },
      data: forecast.map(({ at, low, high }) => [day(at), high - low]),
    },
    {
      ...line,
      name: 'forecast',
      lineStyle: { color: colors.verdigris, width: 1.6, type: 'dashed' as const },
      data: forecast.map(({ at, middle }) => [day(at), middle]),
    },
    {
      ...line,
      name: 'as planned',
      lineStyle: { color: colors.quiet, width: 1.2, type: 'dotted' as const },
      data: compared.map(({ at, middle }) => [day(at), middle]),
    },
  ];
}

/** More dots than this are one gray band. */
const MOST_DOTS = 1200;
function thinned(float: DescentData['float']): readonly FloatPoint[] {
  const every = Math.ceil(float.length / MOST_DOTS);
  return every <= 1 ? float : float.filter((_, i) => i % every === 0);
}

/** The descent of gravity in days from the first event, with error bars, happenings, the third break and the expected end. */
export function descentOptions(data: DescentData, colors: ChartColors): EChartsOption {
  const day = (at: number): number => (at - data.startAt) / DAY_MS;
  const [low, high] = gravityExtent(data);
  const lastDay = Math.max(2, Math.ceil(day(data.endAt) * 1.08));
  const followed = data.readings.filter((r) => r.follows);
  const warm = (tempC: number): number => (data.units === 'us' ? celsiusToF(tempC) : tempC);
  const temps = data.temps.filter(({ at }) => at >= data.startAt).map(({ at, tempC }) => [day(at), warm(tempC)]);
  const label = { fontFamily: FONT, fontSize: 12 };
  const happenings = inRows(data.happenings, day, lastDay);
  return {
    animation: false,
    textStyle: { fontFamily: FONT, color: colors.ink },
    grid: [
      { left: 54, right: 12, top: 36, height: '64%' },
      { left: 54, right: 12, bottom: 24, height: '12%' },
    ],
    xAxis: [
      {
        gridIndex: 0,
        type: 'value',
        min: 0,
        max: lastDay,
        minInterval: 1,
        splitLine: { show: false },
        axisLine: { show: false },
        axisTick: { show: false },
        axisLabel: {
          formatter: (value: number) => `day ${Math.round(value * 10) / 10}`,
          fontFamily: MONO,
          color: colors.quiet,
          hideOverlap: true,
        },
      },
      { gridIndex: 1, type: 'value', min: 0, max: lastDay, show: false },
    ],
    yAxis: [
      {
        gridIndex: 0,
        type: 'value',
        min: low,
        max: high,
        interval: STEP_SG,
        splitLine: { lineStyle: { color: colors.rule } },
        axisLabel: { formatter: (value: number) => value.toFixed(3), fontFamily: MONO, color: colors.quiet },
      },
      {
        gridIndex: 1,
        type: 'value',
        scale: true,
        minInterval: 1,
        splitNumber: 2,
        splitLine: { lineStyle: { color: colors.rule } },
        axisLabel: { formatter: (value: number) => `${Math.round(value)}°`, fontFamily: MONO, color: colors.quiet },
      },
    ],
    series: [
      {
        name: 'gravity',
        type: 'line',
        data: followed.map((r) => [day(r.at), r.sg]),
        lineStyle: { color: colors.ink, width: 1.8 },
        itemStyle: { color: colors.ink },
        symbol: 'circle',
        showAllSymbol: true,
        symbolSize: (_value: unknown, { dataIndex }: { dataIndex: number }) => (followed[dataIndex]?.isFloat === true ? 0 : 6),
        markLine: {
          symbol: 'none',
          silent: true,
          label: { ...label, position: 'insideEndTop' },
          data: [
            ...(data.thirdBreakSg === null
              ? []
              : [
                  {
                    yAxis: data.thirdBreakSg,
                    lineStyle: { color: colors.bronze, type: 'dashed' as const },
                    label: { ...label, formatter: 'one third of the sugar gone', color: colors.bronze },
                  },
                ]),
            ...happenings.map(({ at, told, row }) => ({
              xAxis: day(at),
              lineStyle: { color: colors.bronzeSoft, width: 1, type: 'solid' as const },
              label: {
                ...label,
                show: row >= 0,
                formatter: told,
                color: colors.bronze,
                rotate: 0,
                position: 'end' as const,
                distance: 3 + 14 * Math.max(0, row),
              },
            })),
          ],
        },
        ...(data.end === null
          ? {}
          : {
              markArea: {
                silent: true,
                itemStyle: { color: colors.bronzeSoft, opacity: 0.5 },
                label: { ...label, color: colors.quiet, position: 'insideLeft' as const },
                data: [[{ name: 'where this yeast should stop', yAxis: data.end.low }, { yAxis: data.end.high }]],
              },
            }),
      },
      ...bandSeries(data, colors, day),
      {
        name: 'error',
        type: 'line',
        data: data.readings
          .filter((r) => !r.isFloat)
          .flatMap((r) => [
            [day(r.at), r.sg - r.plusMinus],
            [day(r.at), r.sg + r.plusMinus],
            ['-', '-'],
          ]),
        symbol: 'none',
        lineStyle: { color: colors.ink, width: 1.6 },
        silent: true,
      },
      {
        name: 'float, as it came',
        type: 'line',
        data: thinned(data.float).map(({ at, sg }) => [day(at), sg]),
        lineStyle: { opacity: 0 },
        symbol: 'circle',
        showAllSymbol: true,
        symbolSize: 2,
        itemStyle: { color: colors.quiet, opacity: 0.6 },
        silent: true,
        z: 1,
      },
      {
        name: 'not followed',
        type: 'line',
        data: data.readings.filter((r) => !r.follows).map((r) => [day(r.at), r.sg]),
        lineStyle: { opacity: 0 },
        symbol: 'emptyCircle',
        symbolSize: 9,
        itemStyle: { color: colors.madder },
      },
      {
        name: 'temperature',
        type: 'line',
        xAxisIndex: 1,
        yAxisIndex: 1,
        data: temps,
        symbolSize: 4,
        lineStyle: { color: colors.verdigris, width: 1.4 },
        itemStyle: { color: colors.verdigris },
      },
    ],
  };
}
