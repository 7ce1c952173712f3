<script setup lang="ts">
import type { StallCauseId } from '@hollow-bell/core/record';
import type { Bell } from '@hollow-bell/core/rounds';
import { LIKELY_SCORE, findingTold } from '@hollow-bell/core/watch';
import type { RankedCause } from '@hollow-bell/core/watch';
import { computed, ref } from 'vue';
import { useAttempt } from '../../composables/useAttempt.ts';
import { useBatch } from '../../stores/batch.ts';
import BellMark from '../rounds/BellMark.vue';
import SentenceText from '../figures/SentenceText.vue';

const props = defineProps<{ ranked: readonly RankedCause[] }>();

const store = useBatch();
const { refusal, busy, attempt } = useAttempt();
const showsAll = ref(false);
const MOST_CAUSES = 3;
const shown = computed(() => (showsAll.value ? props.ranked : props.ranked.slice(0, MOST_CAUSES)));

const bellOf = ({ score }: RankedCause): Bell => (score >= LIKELY_SCORE ? 'swinging' : score >= 0 ? 'muffled' : 'still');
const said = ({ score }: RankedCause): string => (score >= LIKELY_SCORE ? 'likely' : score >= 0 ? 'possible' : 'unlikely');

const found = (cause: StallCauseId, holds: boolean, name: string): Promise<boolean> =>
  attempt(() => store.write([{ kind: 'finding', payload: { cause, holds } }], `${name}: ${holds ? 'it is so' : 'it is not so'}`));
</script>

<template>
  <h3>Why, likeliest first</h3>
  <ol class="causes">
    <li v-for="each in shown" :key="each.cause.id" :data-cause="each.cause.id">
      <BellMark :bell="bellOf(each)" />
      <div>
        <p>
          <b>{{ each.cause.name }}</b> <span class="quiet">{{ said(each) }}</span>
        </p>
        <p v-for="(finding, i) in each.findings" :key="i" class="finding">
          <span class="sign" :class="{ for: finding.weight > 0 }">{{ findingTold(finding) }}</span>
          <SentenceText :sentence="finding.sentence" />
        </p>
        <p class="check no-print">
          <span class="quiet"><SentenceText :sentence="each.cause.check" /></span>
          <el-button size="small" :loading="busy" @click="found(each.cause.id, true, each.cause.name)">It is so</el-button>
          <el-button size="small" :loading="busy" @click="found(each.cause.id, false, each.cause.name)">It is not</el-button>
        </p>
      </div>
    </li>
  </ol>
  <p class="no-print">
    <button type="button" class="link" @click="showsAll = !showsAll">
      {{ showsAll ? 'Only the likeliest' : `And ${ranked.length - MOST_CAUSES} more, less likely` }}
    </button>
  </p>
  <p class="small quiet">How telling each thing is, is our estimate; it only sets the order. What you find out weighs more.</p>
  <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
</template>

<style scoped>
.causes {
  display: grid;
  gap: 12px;
}

.causes li {
  display: grid;
  grid-template-columns: 34px 1fr;
}

.finding {
  display: grid;
  grid-template-columns: 124px 1fr;
  padding-top: 3px;
}

.sign {
  color: var(--soot-2);
}

.sign.for {
  color: var(--madder);
  font-weight: 700;
}

.check {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 10px;
  padding-top: 4px;
}

.check .quiet {
  flex: 1 1 240px;
}

@media (max-width: 720px) {
  .check .quiet {
    flex-basis: 100%;
  }

  .link,
  .check .el-button {
    min-height: 44px;
  }
}
</style>
