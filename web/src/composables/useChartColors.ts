import { onMounted, ref, watch } from 'vue';
import { useCellarLight } from './useCellarLight.ts';

export interface ChartColors {
  ink: string;
  quiet: string;
  rule: string;
  bronze: string;
  verdigris: string;
  madder: string;
  bronzeSoft: string;
}

function readColors(): ChartColors {
  const style = getComputedStyle(document.documentElement);
  const of = (name: string): string => style.getPropertyValue(`--${name}`).trim();
  return {
    ink: of('soot'),
    quiet: of('soot-2'),
    rule: of('rule'),
    bronze: of('bronze'),
    verdigris: of('verdigris'),
    madder: of('madder'),
    bronzeSoft: of('bronze-soft'),
  };
}

/** The colors of the light that is on, for what is drawn on a canvas; null until its fonts are there. */
export function useChartColors() {
  const { light } = useCellarLight();
  const colors = ref<ChartColors | null>(null);
  onMounted(async () => {
    await Promise.all(
      ["12px 'Atkinson Hyperlegible Next Variable'", "12px 'Atkinson Hyperlegible Mono Variable'"].map((font) => document.fonts.load(font)),
    );
    colors.value = readColors();
  });
  watch(light, () => requestAnimationFrame(() => (colors.value = readColors())));
  return colors;
}
