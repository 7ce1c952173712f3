import { LABEL_GRIDS, batchCode, labelFacts, layLabel, ownGrid, placeLabels } from '@hollow-bell/core/bottle';
import type { LabelGrid, LaidLabel, Paper } from '@hollow-bell/core/bottle';
import { windowOf } from '@hollow-bell/core/cellar';
import { honeyName } from '@hollow-bell/core/ingredients';
import { Refusal } from '@hollow-bell/core/quantities';
import { meadBottled } from '@hollow-bell/core/record';
import { eachBottleMl, labelLines, vesselLines } from '@hollow-bell/tell/label';
import { useLocalStorage } from '@vueuse/core';
import { computed, ref } from 'vue';
import { cellarBase, ofCellar } from '../cellar.ts';
import { useBatch } from '../stores/batch.ts';
import { useReader } from './useReader.ts';
import { codeOf } from '../parts/figures/codeOf.ts';
import { downloadPages } from './useSheets.ts';

interface Settings {
  grid: number;
  paper: Paper;
  ownWidth: number;
  ownHeight: number;
  isOwn: boolean;
  shiftX: number;
  shiftY: number;
}
interface Text {
  name: string | null;
  own: string;
  showsHoney: boolean;
  showsRange: boolean;
  showsSweetness: boolean;
  showsDrinkBy: boolean;
  withQr: boolean;
  picture: string | null;
}

/** How sheets come out of this house's printer, and what a batch's label says: kept on this device. */
export function useLabels(batchId: string) {
  const store = useBatch();
  const { reader } = useReader();
  const settings = useLocalStorage<Settings>(ofCellar('hollow-bell-label-sheet'), {
    grid: 0,
    paper: 'a4',
    ownWidth: 80,
    ownHeight: 50,
    isOwn: false,
    shiftX: 0,
    shiftY: 0,
  });
  const text = useLocalStorage<Text>(ofCellar(`hollow-bell-label-${batchId}`), {
    name: null,
    own: '',
    showsHoney: true,
    showsRange: true,
    showsSweetness: true,
    showsDrinkBy: true,
    withQr: true,
    picture: null,
  });
  const isVessel = ref(false);
  const startAt = ref(1);
  const count = ref<number | null>(null);

  const batch = computed(() => store.batch);
  const mead = computed(() => meadBottled(store.ledger) ?? store.ledger);
  const bottledAt = computed(() => store.ledger.history.bottled?.at ?? store.now);
  const facts = computed(() => {
    if (batch.value === null || store.figures === null) return null;
    const { must, practice } = batch.value.plan;
    return labelFacts({
      mead: mead.value,
      bottled: store.ledger,
      planned: must.ingredients,
      abv: store.figures.abv,
      region: practice.region,
      atMs: bottledAt.value,
    });
  });
  const code = computed(() => (batch.value === null ? '' : batchCode(batch.value.name, batch.value.id, bottledAt.value)));
  const opens = computed(() => `${window.location.origin}${cellarBase}/batches/${batchId}`);
  const sizes = computed(() => eachBottleMl(store.ledger.history.bottled?.fillings ?? []));
  const many = computed(() => count.value ?? (isVessel.value ? 1 : Math.max(1, sizes.value.length)));

  function tried<T>(deed: () => T): { done: T | null; refusal: string } {
    try {
      return { done: deed(), refusal: '' };
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      return { done: null, refusal: error.message };
    }
  }
  const grid = computed(() =>
    tried((): LabelGrid =>
      settings.value.isOwn
        ? ownGrid(settings.value.paper, settings.value.ownWidth, settings.value.ownHeight)
        : (LABEL_GRIDS[settings.value.grid] ?? ownGrid('a4', 80, 50)),
    ),
  );
  function linesFor(sizeMl: number | null) {
    if (batch.value === null) return [];
    const { pitch, pours, measuredOg, predictedOg } = store.ledger.history;
    if (isVessel.value)
      return vesselLines(
        {
          name: text.value.name ?? batch.value.name,
          pitchedAt: pitch?.at ?? null,
          og: measuredOg ?? predictedOg,
          within: [
            ...new Set(pours.map(({ name, family }) => (family === 'honey' ? honeyName(name) : name))),
            ...(pitch === null ? [] : [pitch.name]),
          ],
          vessel: store.stands.map(({ vessel }) => vessel.name).join(' and '),
        },
        reader.value,
      );
    if (facts.value === null) return [];
    const { showsHoney, showsRange, showsSweetness, showsDrinkBy, own, name } = text.value;
    const choice = {
      name: name ?? batch.value.name,
      own,
      showsHoney,
      showsRange,
      showsSweetness,
      showsDrinkBy,
      region: batch.value.plan.practice.region,
    };
    const drinkBy = windowOf(store.ledger)?.drinkBy ?? null;
    return labelLines(facts.value, choice, { sizeMl, code: code.value, drinkBy }, reader.value);
  }
  const laid = computed(() =>
    tried((): LaidLabel | null =>
      grid.value.done === null ? null : layLabel(grid.value.done, linesFor(sizes.value[0] ?? null), text.value.withQr && !isVessel.value),
    ),
  );
  const refusal = computed(() => grid.value.refusal || laid.value.refusal);

  async function download(isTest = false): Promise<void> {
    const sheet = grid.value.done;
    if (sheet === null || batch.value === null) return;
    const each = sheet.columns * sheet.rows;
    const shift = { x: settings.value.shiftX, y: settings.value.shiftY };
    const placed = isTest ? placeLabels(sheet, each, 1, shift) : placeLabels(sheet, many.value, startAt.value, shift);
    const labels = placed.map((place, i) => ({
      placed: place,
      laid: isTest
        ? { lines: [{ text: `${sheet.width} × ${sheet.height} mm`, points: 8 }], qrMm: null, textMm: sheet.width - 5 }
        : layLabel(sheet, linesFor(sizes.value[i] ?? sizes.value[0] ?? null), text.value.withQr && !isVessel.value),
    }));
    const title = `Labels: ${batch.value.name}`;
    await downloadPages(batch.value.name, isTest ? 'test print' : isVessel.value ? 'vessel label' : 'labels', async () => {
      const { SHEET_FACE, labelPages } = await import('@hollow-bell/tell/label-pages');
      const picture = isTest ? null : text.value.picture;
      return {
        face: SHEET_FACE,
        pages: labelPages({
          title,
          grid: sheet,
          labels,
          code: isTest || isVessel.value || !text.value.withQr ? null : await codeOf(opens.value),
          picture,
          outlines: isTest || settings.value.isOwn,
        }),
      };
    });
  }

  return { settings, text, isVessel, startAt, count, many, batch, facts, code, opens, sizes, grid, laid, refusal, download };
}
