<script setup lang="ts">
import { YEAR_LIMIT_L, byDrinking, ripenessOf } from '@hollow-bell/core/cellar';
import { DAY_MS } from '@hollow-bell/core/quantities';
import { useNow } from '@vueuse/core';
import { computed, onMounted, ref } from 'vue';
import { useRouter } from 'vue-router';
import { api } from '../api/client.ts';
import AgainForm from '../parts/cellar/AgainForm.vue';
import BottleOutForm from '../parts/cellar/BottleOutForm.vue';
import CellarShelves from '../parts/cellar/CellarShelves.vue';
import ComparePanel from '../parts/cellar/ComparePanel.vue';
import NextTime from '../parts/cellar/NextTime.vue';
import TastingForm from '../parts/cellar/TastingForm.vue';
import TastingList from '../parts/cellar/TastingList.vue';
import MakerDialog from '../parts/fields/MakerDialog.vue';
import { useAttempt } from '../composables/useAttempt.ts';
import { useReader } from '../composables/useReader.ts';
import { useCellar, useRecipes } from '../stores/cellar.ts';
import { usePractice } from '../stores/practice.ts';
import { useWriting } from '../stores/writing.ts';

const cellar = useCellar();
const recipes = useRecipes();
const house = usePractice();
const writing = useWriting();
const router = useRouter();
const { show, money } = useReader();
const { refusal, busy, attempt } = useAttempt({ isForm: false });
const clock = useNow({ interval: 60_000 });
const now = computed(() => clock.value.getTime());
onMounted(() => cellar.load());

const showsGone = ref(false);
const shelves = computed(() => byDrinking(cellar.shelves, now.value));
const shown = computed(() => shelves.value.filter(({ shelf }) => showsGone.value || shelf.left > 0 || shelf.wantsVerdict));
const gone = computed(() => shelves.value.length - shelves.value.filter(({ shelf }) => shelf.left > 0 || shelf.wantsVerdict).length);
const chosenId = ref('');
const chosen = computed(() => shelves.value.find(({ id }) => id === chosenId.value) ?? shown.value[0] ?? null);
const full = computed(() => shelves.value.reduce((sum, { shelf }) => sum + shelf.left, 0));
const headline = computed(() => {
  const first = shown.value.find(({ shelf }) => shelf.left > 0 && ripenessOf(shelf, now.value) !== 'rests');
  if (first === undefined) return full.value > 0 ? 'All of them rest.' : 'No bottle stands here yet.';
  const { window, left, firstOutBy } = first.shelf;
  const by = firstOutBy !== null && firstOutBy > now.value ? firstOutBy : window.drinkBy;
  const weeks = Math.round((by - now.value) / (7 * DAY_MS));
  const time = by <= now.value ? 'past its time' : weeks < 1 ? 'this week' : weeks < 9 ? `${weeks} weeks` : `until ${show('day', by)}`;
  return `${first.name} first: ${left} ${left === 1 ? 'bottle' : 'bottles'}, ${time}.`;
});

const compared = ref<string[]>([]);
function compare(id: string): void {
  compared.value = compared.value.includes(id) ? compared.value.filter((each) => each !== id) : [...compared.value, id].slice(-4);
}
const sides = computed(() => compared.value.flatMap((id) => shelves.value.find((each) => each.id === id) ?? []));

async function out(end: 'opened' | 'given'): Promise<void> {
  const each = chosen.value;
  if (each === null) return;
  const told = end === 'opened' ? `opened one ${each.name}` : `gave one ${each.name} away`;
  await attempt(() => writing.writeAt(each.id, [{ content: { kind: 'bottleOut', payload: { count: 1, end } }, at: Date.now() }], told));
}
const tasting = ref(false);
const again = ref<Awaited<ReturnType<typeof api.batch>> | null>(null);
const begin = (): Promise<boolean> =>
  attempt(async () => {
    if (chosen.value !== null) again.value = await api.batch(chosen.value.id);
  });
const keepRecipe = (): Promise<boolean> =>
  attempt(async () => {
    const each = chosen.value;
    if (each === null) return;
    const batch = await api.batch(each.id);
    const note = each.shelf.nextTime.map(({ text }) => `Next time: ${text}`).join('\n');
    await recipes.put(
      {
        id: crypto.randomUUID(),
        name: each.name,
        tags: [each.style].filter((tag) => tag !== '' && tag.length <= 40),
        note,
        must: batch.plan.must,
        fromBatch: each.id,
      },
      0,
    );
    await router.push({ name: 'recipes' });
  });

const year = computed(() => new Date(now.value).getFullYear());
const madeL = computed(() =>
  cellar.shelves
    .filter(({ shelf }) => new Date(shelf.bottledAt).getFullYear() === year.value)
    .reduce((sum, { shelf }) => sum + shelf.filledL, 0),
);
const spent = computed(() =>
  cellar.shelves
    .filter(({ shelf }) => new Date(shelf.bottledAt).getFullYear() === year.value)
    .reduce((sum, { cost }) => sum + (cost?.total ?? 0), 0),
);
</script>

<template>
  <section class="cellar">
    <header>
      <h1>{{ cellar.loaded ? headline : 'Cellar' }}</h1>
      <span class="acts no-print">
        <el-button type="primary" :disabled="chosen === null || chosen.shelf.left === 0" :loading="busy" @click="out('opened')"
          >Opened one {{ chosen?.name }}</el-button
        >
        <el-button :disabled="chosen === null || chosen.shelf.left === 0" :loading="busy" @click="out('given')">Gave one away</el-button>
        <el-button :disabled="chosen === null" @click="tasting = true">Tasting</el-button>
      </span>
    </header>
    <p class="quiet">
      <b>{{ full }}</b> bottles on {{ shown.length }} {{ shown.length === 1 ? 'shelf' : 'shelves' }}. Each stands where you would open it,
      at its own pace. Windows are our estimates; your tastings move them.
      <RouterLink :to="{ name: 'recipes' }">Recipe book</RouterLink>
      <button v-if="gone > 0" type="button" class="link" @click="showsGone = !showsGone">
        {{ showsGone ? 'only what is left' : `and ${gone} that ${gone === 1 ? 'is' : 'are'} gone` }}
      </button>
    </p>
    <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
    <p v-if="cellar.problem !== ''" class="refusal" role="alert">
      {{ cellar.problem }} <button type="button" class="link" @click="cellar.load()">Try again</button>
    </p>
    <p v-else-if="!cellar.loaded" class="quiet">Going down…</p>
    <p v-else-if="shown.length === 0" class="empty">
      What is bottled on a batch’s Bottle station stands here, with its window to drink it in.
    </p>
    <CellarShelves
      v-else
      :shelves="shown"
      :now="now"
      :chosen="chosen?.id ?? ''"
      :compared="compared"
      @choose="chosenId = $event"
      @compare="compare"
    />

    <ComparePanel v-if="sides.length >= 2" :chosen="sides" class="below" />
    <p v-else-if="shown.length > 1" class="small quiet">
      Press the rings of two batches or more to lay them side by side{{ sides.length === 1 ? ': one is chosen' : '' }}.
    </p>

    <div v-if="chosen !== null" class="below detail" data-test="shelf-detail">
      <div class="stack">
        <h2>
          {{ chosen.name }}<span class="quiet">, {{ chosen.style }}</span>
        </h2>
        <dl class="facts">
          <dt>alcohol</dt>
          <dd>{{ show('abv', chosen.shelf.went.abv) }}</dd>
          <dt>went in at</dt>
          <dd>{{ show('sg', chosen.shelf.went.sg) }}</dd>
          <dt>sugar</dt>
          <dd>{{ show('gPerL', chosen.shelf.went.sugarGPerL) }}</dd>
          <dt>gas</dt>
          <dd>
            {{ chosen.shelf.went.gas === null ? 'still' : `${show('volumes', chosen.shelf.went.gas.high)}, ${chosen.shelf.went.gas.word}` }}
          </dd>
          <dt>sulfite given</dt>
          <dd>{{ show('mgPerL', chosen.shelf.went.so2MgPerL) }}</dd>
          <dt>names on the label</dt>
          <dd>{{ chosen.shelf.allergens.length === 0 ? 'none' : chosen.shelf.allergens.join(', ') }}</dd>
          <dt>a bottle cost</dt>
          <dd data-test="cost">
            {{ chosen.cost === null ? 'unknown' : money(chosen.cost.perBottle)
            }}<span v-if="chosen.cost !== null && chosen.cost.unpriced.length > 0" class="small quiet">
              without {{ chosen.cost.unpriced.join(', ') }}</span
            >
          </dd>
          <dt>drink</dt>
          <dd>
            from {{ show('day', chosen.shelf.window.restsUntil) }}, best {{ show('day', chosen.shelf.window.bestFrom) }} to
            {{ show('day', chosen.shelf.window.bestTo) }}, by
            {{ show('day', chosen.shelf.window.drinkBy) }}
          </dd>
          <template v-if="chosen.shelf.place !== null"
            ><dt>lies</dt>
            <dd>{{ chosen.shelf.place }}</dd></template
          >
        </dl>
        <BottleOutForm :key="chosen.id" :batch-id="chosen.id" :left="chosen.shelf.left" @written="cellar.load()" />
        <p class="small">
          <RouterLink :to="{ name: 'batch', params: { id: chosen.id } }">Its record</RouterLink> ·
          <RouterLink :to="{ name: 'label', params: { id: chosen.id } }">Labels</RouterLink> ·
          <button type="button" class="link" @click="begin">Make it again</button> ·
          <button type="button" class="link" @click="keepRecipe">Keep as a recipe</button>
        </p>
      </div>
      <div class="stack">
        <h2>What was said of it</h2>
        <TastingList :tastings="chosen.shelf.tastings" />
      </div>
      <NextTime
        :key="chosen.id"
        :batch-id="chosen.id"
        :notes="chosen.shelf.nextTime"
        :wants-verdict="chosen.shelf.wantsVerdict"
        @written="cellar.load()"
      />
    </div>
    <p class="small quiet year">
      {{ year }}: {{ show('volumeL', madeL) }} bottled for {{ money(spent) }}.
      <span v-if="house.practice.region === 'us'"
        >The federal limit without a permit is {{ show('volumeL', YEAR_LIMIT_L.one) }} for one adult,
        {{ show('volumeL', YEAR_LIMIT_L.household) }} for a household, never for sale; your state may say less.</span
      >
      <span v-else
        >How much a household may make, and whether it is to be told, differs from country to country: ask yours. Never for sale.</span
      >
    </p>

    <MakerDialog v-if="tasting && chosen !== null" :title="`Tasting: ${chosen.name}`" width="min(640px, 94vw)" @close="tasting = false">
      <TastingForm
        :batch-id="chosen.id"
        is-bottled
        :left="chosen.shelf.left"
        @written="
          tasting = false;
          cellar.load();
        "
      />
    </MakerDialog>
    <MakerDialog v-if="again !== null" title="Make it again" width="min(420px, 94vw)" @close="again = null">
      <AgainForm :must="again.plan.must" :from="{ batchId: again.id }" />
    </MakerDialog>
  </section>
</template>

<style scoped>
.cellar {
  display: grid;
  gap: 8px;
}

header {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  justify-content: space-between;
  gap: 6px 20px;
}

.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}

.below {
  margin-top: 8px;
  padding-top: 12px;
  border-top: 1px solid var(--rule);
}

.detail {
  display: grid;
  grid-template-columns: minmax(0, 1.2fr) minmax(0, 1fr) minmax(0, 1fr);
  gap: 14px 34px;
}

.facts {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 2px 16px;
}

dt {
  color: var(--soot-2);
}

.empty {
  padding: 30px 0;
}

@media (max-width: 900px) {
  .detail {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
