<script setup lang="ts">
import { LESSONS, TROUBLES } from '@hollow-bell/core/chalk';
import type { TroubleId } from '@hollow-bell/core/chalk';
import { expectedEnd } from '@hollow-bell/core/glass';
import { LIKELY_SCORE, rankCauses, stallEvidence } from '@hollow-bell/core/watch';
import { yeastType } from '@hollow-bell/core/yeast';
import { computed, nextTick, ref } from 'vue';
import ChalkBook from '../parts/chalk/ChalkBook.vue';
import ChalkClock from '../parts/chalk/ChalkClock.vue';
import ChalkDeeds from '../parts/chalk/ChalkDeeds.vue';
import ChalkDrawing from '../parts/chalk/ChalkDrawing.vue';
import ChalkVerdict from '../parts/chalk/ChalkVerdict.vue';
import ChalkRail from '../parts/chalk/ChalkRail.vue';
import RehearsePlan from '../parts/chalk/RehearsePlan.vue';
import { dayTold } from '../parts/chalk/chalkDay.ts';
import { seedNow } from '../parts/chalk/seedNow.ts';
import PickList from '../parts/fields/PickList.vue';
import SentenceText from '../parts/figures/SentenceText.vue';
import SpokenOnce from '../parts/page/SpokenOnce.vue';
import { useChalk } from '../composables/useChalk.ts';
import { useReader } from '../composables/useReader.ts';

const chalk = useChalk();
const { show, tell } = useReader();
const { lesson, isDrill, depth, scene, endsAtH, deeds, hour, speed, run, verdict, named, found, stops, ledger, state, readings, last } =
  chalk;

const shownLesson = computed(() => (isDrill.value ? null : (lesson.value ?? LESSONS[0] ?? null)));
const title = computed(() => (isDrill.value ? 'A hidden trouble' : (shownLesson.value?.name ?? 'Practice')));
const volumeL = computed(() => ledger.value.history.pitch?.volumeL ?? 0);
const what = computed(
  () => `${scene.value.honey}, ${show('volumeL', volumeL.value)} in the ${scene.value.vessel.name}, ${yeastType(scene.value.yeastId).name}`,
);
const end = computed(() => (ledger.value.history.pitch === null ? null : expectedEnd(ledger.value)));
const call = computed(() => stops.value.findLast((stop) => stop.hour > hour.value - 1) ?? null);
const causes = computed(() => {
  if (state.value.phase !== 'stuck' && state.value.phase !== 'suspect') return [];
  const evidence = stallEvidence(ledger.value, hour.value * 3_600_000 + (ledger.value.history.pitch?.at ?? 0), 1);
  return evidence === null
    ? []
    : rankCauses(evidence)
        .filter(({ score }) => score >= LIKELY_SCORE)
        .slice(0, 2);
});
const NOTHING = 'nothing';
const NAMES = [{ value: NOTHING, label: 'nothing is wrong' }, ...TROUBLES.map(({ id, name }) => ({ value: id, label: name }))];
const guess = ref(NOTHING);
const isOver = computed(() => verdict.value !== null || hour.value >= endsAtH.value);
async function judge(): Promise<void> {
  named.value = guess.value === NOTHING ? null : (guess.value as TroubleId);
  await chalk.judge();
  await nextTick();
  document.querySelector<HTMLElement>('[data-test=verdict] h2')?.focus();
}
const truth = computed(() => {
  if (verdict.value === null) return [];
  const { true: went, leftAlone, withoutTrouble } = verdict.value;
  return [
    { label: 'as it truly went', kind: 'true' as const, run: went },
    { label: 'left alone', kind: 'alone' as const, run: leftAlone },
    ...(withoutTrouble === null ? [] : [{ label: 'without the trouble', kind: 'well' as const, run: withoutTrouble }]),
  ];
});
</script>

<template>
  <section class="practice">
    <ChalkRail class="rail no-print" :lesson-id="shownLesson?.id ?? null" :depth="isDrill ? depth : null" />
    <div class="bench">
      <header>
        <h1>{{ title }}</h1>
        <span class="quiet">{{ what }}</span>
        <span class="quiet floor-told">On the chalk floor: nothing of this is in your cellar.</span>
      </header>
      <p v-if="chalk.problem.value !== ''" class="refusal" role="alert">{{ chalk.problem.value }}</p>
      <p v-if="shownLesson !== null" class="aim">{{ shownLesson.aim }}</p>
      <p v-else class="aim">Something may be wrong with it. Find out what, spare it what you can, then name it.</p>
      <p v-if="run === null" class="quiet" role="status">It is being mixed…</p>
      <template v-else>
        <div class="drawn">
          <ChalkDrawing
            :scene="scene"
            :readings="readings"
            :found="found"
            :hour="hour"
            :ends-at-h="endsAtH"
            :volume-l="volumeL"
            :senses="last"
            :end="end?.sg ?? null"
            :truth="truth"
          />
        </div>
        <p v-if="call !== null" class="caution" role="status" data-test="call"><SentenceText :sentence="call.sentence" /></p>
        <ChalkDeeds
          v-if="verdict === null"
          class="at-vessel"
          :is-closed="chalk.isClosed.value"
          :is-over="isOver"
          @act="chalk.act"
          @take-back="chalk.takeBack"
        />
        <div class="judge no-print">
          <template v-if="verdict === null">
            <PickList v-if="isDrill" v-model="guess" label="what is wrong with it" :options="NAMES" />
            <el-button type="primary" @click="judge">{{ isDrill ? 'Name it, and see' : 'See what came of it' }}</el-button>
          </template>
          <template v-else>
            <el-button type="primary" @click="chalk.again">The same again, from the pitch</el-button>
            <button type="button" class="link" @click="chalk.dayByDay">Day by day again</button>
            <RouterLink v-if="isDrill" :to="{ name: 'practice', query: { drill: seedNow(), depth } }">Another trouble</RouterLink>
          </template>
        </div>
        <ChalkVerdict v-if="verdict !== null" class="verdict" :verdict="verdict" />
        <section v-if="shownLesson !== null" class="notice-list" aria-label="What to notice">
          <h2>What to notice</h2>
          <ul>
            <li v-for="each in shownLesson.notice" :key="each">{{ each }}</li>
          </ul>
        </section>
      </template>
      <RehearsePlan class="rehearse" />
    </div>
    <aside class="beside">
      <ChalkClock v-model="speed" class="time" :hour="hour" :is-over="isOver" @day-on="chalk.dayOn" @toggle="chalk.toggle" />
      <ChalkBook class="book-here" :found="found" />
      <section class="reads" aria-label="What the cellar makes of it">
        <h2>What the cellar makes of it</h2>
        <p><SentenceText :sentence="state.sentence" /></p>
        <ul v-if="causes.length > 0">
          <li v-for="{ cause } in causes" :key="cause.id">{{ cause.name }}, likely</li>
        </ul>
        <p class="small quiet">By your book alone, as in life: it sees nothing that you did not write.</p>
      </section>
      <p class="small quiet count">
        {{ deeds.length }} {{ deeds.length === 1 ? 'deed' : 'deeds' }}; this page’s address holds all of them.
      </p>
    </aside>
    <SpokenOnce :text="found.length === 0 ? '' : `${dayTold(hour)}: ${tell(found.at(-1)?.told ?? [])}`" />
  </section>
</template>

<style scoped>
.practice {
  display: grid;
  grid-template-columns: 150px minmax(0, 1fr) 282px;
  gap: 18px 24px;
}

header {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 4px 14px;
}

.floor-told {
  margin-left: auto;
}

.aim {
  padding: 4px 0 8px;
  border-bottom: 1px solid var(--rule);
}

.bench,
.beside {
  display: grid;
  align-content: start;
  gap: 12px;
  min-width: 0;
}

.beside ul {
  padding: 0;
  list-style: none;
}

.judge {
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 8px 16px;
}

.judge :deep(.pick) {
  min-width: 280px;
}

.notice-list ul {
  display: grid;
  gap: 4px;
  padding-left: 18px;
}

@media (max-width: 1000px) {
  .practice {
    display: flex;
    flex-direction: column;
    gap: 12px;
  }

  .bench,
  .beside {
    display: contents;
  }

  .at-vessel,
  .judge,
  .verdict,
  .book-here {
    order: 2;
  }

  .time {
    order: 1;
  }

  .notice-list,
  .rehearse,
  .reads,
  .rail,
  .count {
    order: 3;
  }

  .floor-told {
    margin-left: 0;
  }
}
</style>
