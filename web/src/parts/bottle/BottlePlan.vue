<script setup lang="ts">
import { eventSentence } from '@hollow-bell/core/record';
import { crateTold, labelFacts } from '@hollow-bell/core/bottle';
import { GAS_STYLES, containerOf, ratingOf } from '@hollow-bell/core/carbonate';
import { computed, useTemplateRef } from 'vue';
import { useElementSize } from '@vueuse/core';
import BellMark from '../rounds/BellMark.vue';
import PickList from '../fields/PickList.vue';
import QuantityField from '../fields/QuantityField.vue';
import WhenField from '../fields/WhenField.vue';
import SentenceText from '../figures/SentenceText.vue';
import StopNote from '../figures/StopNote.vue';
import { useAttempt } from '../../composables/useAttempt.ts';
import { useBottling } from '../../composables/useBottling.ts';
import { useReader } from '../../composables/useReader.ts';
import { useWhen } from '../../composables/useWhen.ts';
import { liquidColor } from '../../look/liquidColor.ts';
import { useBatch } from '../../stores/batch.ts';
import BottleDay from './BottleDay.vue';
import BottleGroup from './BottleGroup.vue';
import GasColumn from './GasColumn.vue';
import { silhouetteOf } from './silhouette.ts';

const emit = defineEmits<{ keg: [] }>();
const store = useBatch();
const { show, showFigure, range, tell } = useReader();
const { refusal, busy, attempt, blocked } = useAttempt();
const bottling = useBottling();
const {
  isSparkling,
  measuredL,
  isAgain,
  lostL,
  warmest,
  warmestC,
  volumes,
  style,
  sugarKey,
  sugars,
  sugar,
  where,
  pieceG,
  otherCost,
  partEnd,
  counts,
  sweet,
  dead,
  fresh,
  plannedL,
  isMeasured,
  ready,
  prime,
  crate,
  refused,
  wantsAgain,
  fillWith,
  gramsFor,
  piecesFor,
  events,
} = bottling;

const cannotSparkle = computed(() => (isSparkling.value ? (sweet.value ?? dead.value) : null));
const awaits = computed(() => isSparkling.value && !isMeasured.value);
const color = computed(() =>
  liquidColor(
    store.ledger.history.pours
      .filter(({ family }) => ['fruit', 'juice', 'honey'].includes(family))
      .toSorted((a, b) => Number(a.family === 'honey') - Number(b.family === 'honey'))
      .map(({ name }) => name),
  ),
);
const floor = useTemplateRef<HTMLElement>('floor');
const { width } = useElementSize(floor);
/** Everything on one floor, as large as it fits. */
const scale = computed(() => {
  const shapes = ready.value.map((row) => ({ ...silhouetteOf(row.kind, row.sizeMl), many: Math.min(4, Math.max(1, row.have)) }));
  const tallest = Math.max(1, ...shapes.map(({ heightCm }) => heightCm));
  const wide = shapes.reduce((sum, { widthCm, many }) => sum + widthCm * (1 + 0.62 * (many - 1)), 0);
  const isPhone = width.value < 500;
  return Math.min((isPhone ? 130 : 190) / tallest, isPhone ? 8 : Math.max(3.2, (width.value - 30 * shapes.length) / Math.max(1, wide)));
});
const marks = computed(() =>
  [...new Map(ready.value.map((row) => [`${row.kind ?? ''} ${ratingOf(row) ?? ''}`, row])).values()].flatMap((row) => {
    const rating = ratingOf(row);
    return rating === null || !Number.isFinite(rating) || prime.value === null
      ? []
      : [{ name: containerOf(row.kind ?? 'other').name, volumes: rating, isBarred: rating < prime.value.fan.one }];
  }),
);
const ends = computed(() => [
  { value: 'drunk' as const, label: 'drunk today' },
  { value: 'small' as const, label: 'into a small one, not kept' },
  { value: 'topped' as const, label: 'topped up with another' },
  ...(isSparkling.value && where.value === 'bulk' ? [] : [{ value: 'stays' as const, label: 'stays in its vessel' }]),
]);
const WHERE = [
  { value: 'bulk' as const, label: 'a syrup, into all of it' },
  { value: 'each' as const, label: 'into each bottle' },
];
const total = computed(() => crate.value?.bottles ?? 0);
const deed = computed(() =>
  prime.value === null || prime.value.sugarG.value <= 0
    ? `Bottled ${total.value}`
    : `Bottled ${total.value}, primed with ${show('massG', prime.value.sugarG.value)}`,
);
const facts = computed(() =>
  store.figures === null || store.batch === null
    ? null
    : labelFacts({
        mead: store.ledger,
        bottled: store.ledger,
        planned: store.batch.plan.must.ingredients,
        abv: store.figures.abv,
        region: store.batch.plan.practice.region,
        atMs: store.now,
      }),
);

const { at, when } = useWhen();
function record(): Promise<boolean> {
  const all = events.value;
  const [first] = all;
  return attempt(() => (first === undefined ? false : store.write(all, tell(eventSentence(first)), when.value)));
}
</script>

<template>
  <div class="plan" data-test="bottle-plan">
    <div class="fields">
      <div class="field">
        <QuantityField v-model="measuredL" kind="volume" label="measured after racking" :needed="isSparkling" />
        <p class="small quiet">
          planned {{ plannedL === null ? '' : showFigure('volumeL', plannedL) }}<span v-if="awaits">: gas wants it measured</span>
        </p>
      </div>
      <div class="field"><QuantityField v-model="lostL" kind="volume" label="left in hose and dregs" /></div>
      <template v-if="isSparkling">
        <div class="field">
          <QuantityField v-model="warmestC" kind="temp" label="warmest since its end" :limits="{ low: 0, high: 32 }" />
          <p class="small quiet">
            {{ warmest.isRead ? 'as it was read' : 'the room’s; nobody read it' }}
          </p>
        </div>
        <div class="field">
          <QuantityField
            :model-value="volumes"
            kind="gas"
            label="gas wanted"
            :limits="{ low: 0.9, high: 6 }"
            @update:model-value="$event !== null && (volumes = $event)"
          />
          <p class="small quiet">{{ style.name }}: {{ style.feels }}</p>
        </div>
        <div class="field">
          <PickList v-model="sugarKey" label="primed with" :options="sugars.map(({ key, label }) => ({ value: key, label }))" />
        </div>
        <div class="field">
          <PickList v-model="where" label="it goes" :options="WHERE" />
          <QuantityField v-if="where === 'each'" v-model="pieceG" kind="smallMass" label="a piece weighs; empty for a scale" />
        </div>
      </template>
    </div>

    <div class="ways switches" role="group" aria-label="Still or sparkling">
      <button type="button" :aria-pressed="!isSparkling" @click="isSparkling = false">Still</button>
      <button type="button" :aria-pressed="isSparkling" @click="isSparkling = true">Sparkling</button>
      <button type="button" :aria-pressed="false" @click="emit('keg')">In a keg</button>
      <span v-if="isSparkling" class="styles">
        <button
          v-for="each in GAS_STYLES.slice(1)"
          :key="each.id"
          type="button"
          :aria-pressed="style.id === each.id"
          @click="volumes = each.usual"
        >
          {{ each.name }} {{ show('volumes', each.usual) }}
        </button>
      </span>
    </div>

    <StopNote v-if="cannotSparkle !== null" data-test="no-gas"
      ><SentenceText :sentence="cannotSparkle" /> <button type="button" class="link" @click="emit('keg')">Plan the keg</button></StopNote
    >
    <template v-else>
      <p class="lead" data-test="crate">
        <template v-if="crate !== null"><SentenceText :sentence="crateTold(crate)" /></template>
        <span v-if="refused !== null" class="refusal">{{ tell(refused) }}</span>
        <span v-if="crate !== null && crate.shortL > 0" class="refusal">
          More bottles than mead: {{ show('volumeL', crate.shortL) }} short.</span
        >
      </p>
      <div class="stage">
        <div ref="floor" class="crate">
          <div
            v-for="each in crate?.rows ?? []"
            :key="(each.row as (typeof ready)[number]).key"
            class="kind"
            :data-kind="`${each.row.sizeMl} ${each.row.kind}`"
          >
            <BottleGroup
              :kind="each.row.kind"
              :closure="each.row.closure"
              :size-ml="each.row.sizeMl"
              :filled="each.count"
              :empty="(each.row as (typeof ready)[number]).isCounted ? each.row.have - each.count : Number(each.count === 0)"
              :scale="scale"
              :color="color"
              :is-barred="each.barred !== null"
              :is-dashed="awaits"
              :title="`${each.count} of ${show('bottleMl', each.row.sizeMl)}, ${containerOf(each.row.kind ?? 'other').name}`"
            />
            <div class="told">
              <p class="count">
                <BellMark :bell="each.barred === null ? 'still' : each.holds === 'again' ? 'swinging' : 'cracked'" />
                <b v-if="each.barred !== null" class="number-field">0</b>
                <QuantityField
                  v-else
                  :model-value="each.row.wanted ?? each.count"
                  kind="count"
                  :label="`bottles of ${show('bottleMl', each.row.sizeMl)}`"
                  hide-label
                  class="number-field"
                  @update:model-value="counts = { ...counts, [(each.row as (typeof ready)[number]).key]: $event }"
                />
                <span v-if="(each.row as (typeof ready)[number]).isCounted" class="small quiet">of {{ each.row.have }}</span>
              </p>
              <p class="small quiet">
                {{ show('bottleMl', each.row.sizeMl) }} {{ containerOf(each.row.kind ?? 'other').name }}, {{ each.row.closure }}
              </p>
              <p v-if="each.barred !== null" class="small" :class="{ refusal: each.holds !== 'again' }">
                <SentenceText :sentence="each.barred" />
              </p>
              <p v-else-if="isSparkling && each.rating !== null && Number.isFinite(each.rating)" class="small">
                bears {{ show('volumes', each.rating) }}
              </p>
              <p v-if="isSparkling && where === 'each' && each.barred === null" class="small">
                {{
                  piecesFor(each.row.sizeMl) === null ? show('massG', gramsFor(each.row.sizeMl)) : `${piecesFor(each.row.sizeMl)} pieces`
                }}
                into each
              </p>
              <button
                v-if="each.barred === null"
                type="button"
                class="link small"
                @click="fillWith((each.row as (typeof ready)[number]).key)"
              >
                as many as fit
              </button>
            </div>
          </div>
        </div>
        <div v-if="prime !== null" class="gas">
          <GasColumn v-model="volumes" :residual="prime.residualVolumes" :fan="prime.fan" :marks="marks" />
          <p class="dose" data-test="sugar">
            <b class="big">{{ show('massG', prime.sugarG.value) }}</b> {{ sugar.name }}
            <span class="small quiet">{{ range('massG', prime.sugarG) }}</span>
          </p>
          <p class="small" data-test="pressure">
            <b>{{ show('bar', prime.barAt20.low) }} – {{ show('bar', prime.barAt20.high) }}</b> at {{ show('tempC', 20) }}, up to
            <b>{{ show('bar', prime.barAt30.high) }}</b> at {{ show('tempC', 30) }}.
          </p>
          <p v-if="fresh !== null" class="small caution"><SentenceText :sentence="fresh" /></p>
          <label v-if="wantsAgain || isAgain" class="again"
            ><input v-model="isAgain" type="checkbox" /> the volume was measured a second time, and is the same</label
          >
        </div>
      </div>
      <p class="small quiet">
        Filled: <b data-test="filled">{{ show('volumeL', crate?.filledL ?? 0) }}</b>, over:
        <b>{{ show('volumeL', (crate?.overMl ?? 0) / 1000) }}</b>
      </p>
      <BottleDay v-if="crate !== null && total > 0" :crate="crate" :prime="prime" :sugar="sugar" :where="where" :volumes="volumes" />
      <div class="close">
        <div class="deed">
          <PickList v-if="(crate?.overMl ?? 0) >= 20" v-model="partEnd" label="what stays over is" :options="ends" />
          <QuantityField v-model="otherCost" kind="money" label="labels, gas and the rest cost" />
          <WhenField v-model="at" />
          <div class="deeds">
            <el-button
              type="primary"
              :loading="busy"
              :disabled="blocked || total === 0 || awaits || refused !== null || (crate?.shortL ?? 0) > 0"
              @click="record"
              >{{ deed }}</el-button
            >
          </div>
          <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
          <p v-if="awaits" class="small quiet">Measure what is in the vessel after the racking: sugar for gas is weighed for that.</p>
        </div>
        <p v-if="facts !== null && store.batch !== null" class="label-line">
          <b>{{ store.batch.name }}</b>, {{ facts.style }}, {{ show('abv', facts.abv.shown)
          }}<span v-if="facts.allergens.length > 0">, contains {{ facts.allergens.join(', ') }}</span
          >.
          <RouterLink :to="{ name: 'label', params: { id: store.batch.id } }">Labels</RouterLink>
        </p>
      </div>
    </template>
  </div>
</template>

<style scoped>
.plan {
  display: grid;
  gap: 10px;
}

.fields {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  gap: 8px 22px;
  padding: 10px 0 4px;
}

.field {
  display: grid;
  align-content: start;
  gap: 2px;
}

.styles {
  display: contents;
}

.ways {
  border-bottom: 1px solid var(--rule);
}

.lead {
  font-size: 18px;
}

.stage {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 10px 26px;
  align-items: start;
}

.crate {
  display: flex;
  flex-wrap: nowrap;
  align-items: flex-start;
  gap: 14px 18px;
}

.kind {
  display: grid;
  grid-template-rows: 210px auto;
  align-items: end;
  flex: none;
  width: min-content;
  min-width: 122px;
}

.told {
  display: grid;
  gap: 1px;
  align-self: start;
  padding-top: 6px;
  border-top: 2px solid var(--soot);
}

.count {
  display: flex;
  white-space: nowrap;
  align-items: center;
  gap: 6px;
}

.number-field {
  width: 58px;
  font-size: 20px;
  font-weight: 700;
}

.gas {
  display: grid;
  gap: 2px;
  justify-items: start;
  max-width: 340px;
}

.again {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 44px;
}

.close {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 12px 30px;
  align-items: end;
}

.deed {
  display: grid;
  gap: 8px;
  max-width: 420px;
}

@media (max-width: 720px) {
  .stage,
  .close {
    grid-template-columns: minmax(0, 1fr);
  }

  .crate {
    display: grid;
    grid-template-columns: repeat(2, minmax(0, 1fr));
    align-items: end;
  }

  .kind {
    grid-template-rows: auto auto;
    align-self: start;
    width: auto;
  }
}
</style>
