<script setup lang="ts">
import { byDrinking, ripenessOf } from '@hollow-bell/core/cellar';
import { DAY_MS } from '@hollow-bell/core/quantities';
import { useNow } from '@vueuse/core';
import { computed, onMounted, ref } from 'vue';
import { useRouter } from 'vue-router';
import { api } from '../api/client.ts';
import AgainForm from '../parts/cellar/AgainForm.vue';
import CellarShelves from '../parts/cellar/CellarShelves.vue';
import ComparePanel from '../parts/cellar/ComparePanel.vue';
import ShelfDetail from '../parts/cellar/ShelfDetail.vue';
import YearLine from '../parts/cellar/YearLine.vue';
import TastingForm from '../parts/cellar/TastingForm.vue';
import MakerDialog from '../parts/fields/MakerDialog.vue';
import { useAttempt } from '../composables/useAttempt.ts';
import { useReader } from '../composables/useReader.ts';
import { recipeOf, useCellar, useRecipes } from '../stores/cellar.ts';
import { useWriting } from '../stores/writing.ts';

const cellar = useCellar();
const recipes = useRecipes();
const writing = useWriting();
const router = useRouter();
const { show } = useReader();
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
    const recipe = recipeOf(each.id, each.name, batch.plan.must, each.shelf.nextTime);
    await recipes.put({ ...recipe, tags: each.style === '' || each.style.length > 40 ? [] : [each.style] }, 0);
    await router.push({ name: 'recipes' });
  });
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

    <ShelfDetail
      v-if="chosen !== null"
      :key="chosen.id"
      :each="chosen"
      class="below"
      data-test="shelf-detail"
      @written="cellar.load()"
      @again="begin"
      @keep="keepRecipe"
    />
    <YearLine :shelves="cellar.shelves" :now="now" />

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

.empty {
  padding: 30px 0;
}
</style>
