<script setup lang="ts">
import type { StallCauseId } from '@hollow-bell/core/ledger';
import type { Bell } from '@hollow-bell/core/rounds';
import { cureUnderWay, curesFor, nextCure, rankCauses, restartPlan, stallEvidence, stallVerdict } from '@hollow-bell/core/watch';
import type { Cure, RankedCause, StallKind } from '@hollow-bell/core/watch';
import { computed, ref } from 'vue';
import { useAttempt } from '../composables/useAttempt.ts';
import { useReader } from '../composables/useReader.ts';
import { useBatch } from '../stores/batch.ts';
import BellMark from './BellMark.vue';
import RaiseBatchPh from './RaiseBatchPh.vue';
import SentenceText from './SentenceText.vue';

const store = useBatch();
const { show, tell } = useReader();
const { refusal, busy, attempt } = useAttempt();
const showsAll = ref(false);
const MOST_CAUSES = 3;
/** From so many points on a cause is likely, below none it is not. */
const LIKELY = 2;

const evidence = computed(() => stallEvidence(store.ledger, store.now, store.batch?.plan.practice.organicCredit ?? 1));
const verdict = computed(() => (evidence.value === null ? null : stallVerdict(evidence.value)));
const asksWhy = computed(() => verdict.value?.kind === 'stuck' || verdict.value?.kind === 'suspect' || verdict.value?.kind === 'slow');
const ranked = computed(() => (evidence.value === null || !asksWhy.value ? [] : rankCauses(evidence.value, store.ledger.findings)));
const shown = computed(() => (showsAll.value ? ranked.value : ranked.value.slice(0, MOST_CAUSES)));
const cures = computed(() =>
  evidence.value === null || verdict.value === null ? [] : curesFor(verdict.value, evidence.value, ranked.value),
);
const restart = computed(() =>
  cures.value.some(({ id }) => id === 'restart') && evidence.value?.last ? restartPlan(evidence.value.volumeL, evidence.value.last.sg) : [],
);

const underWay = computed(() => cureUnderWay(store.ledger));
const stillSince = computed(() => evidence.value?.still?.at ?? store.now);
const next = computed(() => nextCure(cures.value, store.ledger, stillSince.value));
/** When a cure was last tried on this stall; null where it was not. */
const triedAt = ({ id }: Cure): number | null =>
  store.ledger.cures.findLast(({ cure, at }) => cure === id && at >= stillSince.value)?.at ?? null;
const make = ({ deed }: Cure): Promise<boolean> =>
  attempt(async () => {
    if (deed !== null) await store.write(deed.events, tell(deed.label));
  });

const HEAD: Record<StallKind, string> = {
  stuck: 'Stuck',
  suspect: 'It may be stuck',
  slow: 'Slow, not stuck',
  misread: 'First the reading',
  tolerance: 'Ended, not stuck',
  malt: 'Perhaps its end, not stuck',
  'near its end': 'Not stuck',
  lag: 'Not stuck',
  moving: 'Not stuck',
};
const bellOf = ({ score }: RankedCause): Bell => (score >= LIKELY ? 'swinging' : score >= 0 ? 'muffled' : 'still');
const said = ({ score }: RankedCause): string => (score >= LIKELY ? 'likely' : score >= 0 ? 'possible' : 'unlikely');

const beginStarter = (): Promise<boolean> =>
  attempt(async () => {
    const { last, volumeL } = evidence.value ?? {};
    if (last === undefined || last === null || volumeL === undefined) return;
    await store.write([{ kind: 'restart', payload: { volumeL, sg: last.sg } }], 'a starter, step by step on Rounds');
  });

const found = (cause: StallCauseId, holds: boolean, name: string): Promise<boolean> =>
  attempt(() => store.write([{ kind: 'finding', payload: { cause, holds } }], `${name}: ${holds ? 'it is so' : 'it is not so'}`));
</script>

<template>
  <section
    v-if="verdict !== null && evidence !== null"
    class="clinic"
    aria-label="Is it stuck?"
    data-test="clinic"
    :data-kind="verdict.kind"
  >
    <h2>{{ HEAD[verdict.kind] }}</h2>
    <p><SentenceText :sentence="verdict.sentence" /></p>
    <template v-if="ranked.length > 0">
      <h3>Why, likeliest first</h3>
      <ol class="causes">
        <li v-for="each in shown" :key="each.cause.id" :data-cause="each.cause.id">
          <BellMark :bell="bellOf(each)" />
          <div>
            <p>
              <b>{{ each.cause.name }}</b> <span class="quiet">{{ said(each) }}</span>
            </p>
            <p v-for="(finding, i) in each.findings" :key="i" class="finding">
              <span class="sign" :class="{ for: finding.weight > 0 }">{{
                finding.weight > 0 ? 'for' : finding.weight < 0 ? 'against' : 'open'
              }}</span>
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
          {{ showsAll ? 'Only the likeliest' : `And ${ranked.length - MOST_CAUSES} more that the record speaks against` }}
        </button>
      </p>
    </template>
    <template v-if="cures.length > 0">
      <h3>What now, gentlest first</h3>
      <p v-if="underWay !== null" class="caution" data-test="under-way">
        Since {{ show('when', underWay.at) }}: <SentenceText :sentence="underWay.told" />. Read it again
        {{ show('when', underWay.readAt) }}, before anything else is changed.
      </p>
      <p v-else-if="cures.length > 1" class="small quiet">One change at a time; then read, before the next.</p>
      <ol class="cures rule-top">
        <li v-for="(cure, i) in cures" :key="cure.id" :data-cure="cure.id">
          <span class="number">{{ i + 1 }}</span>
          <span
            ><SentenceText :sentence="cure.sentence" />
            <span v-if="cure.readAgainH > 0" class="quiet">
              Read after {{ cure.readAgainH >= 48 ? `${cure.readAgainH / 24} days` : 'a day' }}.</span
            >
            <span v-if="triedAt(cure) !== null" class="tried"> Tried {{ show('when', triedAt(cure)!) }}.</span></span
          >
          <el-button
            v-if="cure.deed !== null && (underWay === null || triedAt(cure) === null)"
            class="no-print"
            :type="cure.id === next?.id && underWay === null ? 'primary' : 'default'"
            :loading="busy"
            @click="make(cure)"
            >{{ tell(cure.deed.label) }}</el-button
          >
        </li>
      </ol>
      <RaiseBatchPh v-if="cures.some(({ id }) => id === 'raise pH')" as-cure />
      <details v-if="restart.length > 0" class="side">
        <summary>The starter, step by step</summary>
        <ol class="cures rule-top">
          <li v-for="step in restart" :key="step.day">
            <span class="number">day {{ step.day }}</span
            ><SentenceText :sentence="step.sentence" />
          </li>
        </ol>
        <p class="no-print">
          <span v-if="store.ledger.restart !== null" class="quiet">Begun; its steps come up on Rounds, one by one.</span>
          <el-button v-else :loading="busy" @click="beginStarter">Begin it; put its steps on Rounds</el-button>
        </p>
      </details>
    </template>
    <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
  </section>
</template>

<style scoped>
.clinic {
  display: grid;
  gap: 8px;
}

h3 {
  padding-top: 4px;
  font-size: 16px;
}

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
  grid-template-columns: 62px 1fr;
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

.tried {
  color: var(--verdigris);
  font-weight: 700;
}

.cures li {
  display: grid;
  grid-template-columns: 54px 1fr auto;
  align-items: center;
  gap: 4px 12px;
  padding: 8px 0;
  border-bottom: 1px solid var(--rule);
}

.number {
  color: var(--bronze);
  font-weight: 700;
}

summary {
  padding: 4px 0 8px;
  color: var(--bronze);
  cursor: pointer;
}

@media (max-width: 720px) {
  .check .quiet {
    flex-basis: 100%;
  }

  .cures li {
    grid-template-columns: 40px 1fr;
  }

  .cures .el-button {
    grid-column: 2;
    justify-self: start;
    min-height: 44px;
  }

  .link,
  .check .el-button {
    min-height: 44px;
  }
}
</style>
