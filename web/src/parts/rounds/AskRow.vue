<script setup lang="ts">
import type { Ask } from '@hollow-bell/core/rounds';
import { computed, defineAsyncComponent, ref } from 'vue';
import { usePad } from '../../stores/pad.ts';
import { useReader } from '../../composables/useReader.ts';
import BellMark from './BellMark.vue';
import SentenceText from '../figures/SentenceText.vue';

/** Not by the first view. */
const PutOff = defineAsyncComponent(() => import('./PutOff.vue'));
const props = defineProps<{ ask: Ask; batchId: string; name?: string; busy?: boolean; isHere?: boolean }>();
const emit = defineEmits<{ done: [ask: Ask]; putOff: [ask: Ask, choice: { until: number } | { reason: string }] }>();
const pad = usePad();
/** A reading is pressed where one stands; all else has a station. */
const wantsReading = computed(() => props.ask.station === 'watch' && props.ask.done === null && props.ask.bell !== 'cracked');
const putsOff = ref(false);
function chosen(choice: { until: number } | { reason: string }): void {
  putsOff.value = false;
  emit('putOff', props.ask, choice);
}
defineExpose({
  openPutOff: () => {
    putsOff.value = props.ask.mayWait;
  },
});

const { tell, show } = useReader();
const GO: Record<Ask['station'], string> = {
  formulate: 'See the plan',
  pitch: 'To the pitch',
  feed: 'See the feeding',
  watch: 'Write a reading',
  clear: 'Look at it',
  stabilize: 'To the gates',
  sweeten: 'To the glasses',
  bottle: 'To the bottles',
  taste: 'Taste',
};
const to = { name: 'station', params: { id: props.batchId, station: props.ask.station } };
const asksNow = (): boolean => props.ask.bell === 'swinging' || props.ask.bell === 'cracked';
const dueLabel = (): string =>
  props.ask.bell === 'cracked'
    ? 'now'
    : asksNow()
      ? Date.now() - props.ask.dueAt > 36e5 * 20
        ? 'overdue'
        : 'today'
      : show('when', props.ask.dueAt);
</script>

<template>
  <li class="ask" :data-bell="ask.bell" tabindex="-1">
    <span class="box print-only" aria-hidden="true"></span>
    <BellMark :bell="ask.bell" />
    <span class="due quiet">{{ dueLabel() }}</span>
    <RouterLink
      v-if="name !== undefined"
      :to="{ name: 'batch', params: { id: batchId } }"
      class="name place-link"
      :class="{ stop: ask.bell === 'cracked' }"
      >{{ name }}</RouterLink
    >
    <SentenceText class="sentence" :sentence="ask.sentence" />
    <span class="deeds no-print">
      <template v-if="ask.done !== null">
        <el-button type="primary" :loading="busy === true" @click="emit('done', ask)">{{ tell(ask.done.label) }}</el-button>
        <RouterLink v-if="!isHere" v-slot="{ navigate }" :to="to" custom
          ><el-button @click="navigate">{{
            ask.bell === 'cracked' ? 'See why' : ask.station === 'feed' ? 'Another amount' : GO[ask.station]
          }}</el-button></RouterLink
        >
      </template>
      <el-button v-else-if="wantsReading" :type="asksNow() ? 'primary' : 'default'" @click="pad.open(batchId)">Write a reading</el-button>
      <RouterLink v-else-if="!isHere" v-slot="{ navigate }" :to="to" custom
        ><el-button :type="asksNow() ? 'primary' : 'default'" @click="navigate">{{
          ask.bell === 'cracked' ? 'See why' : GO[ask.station]
        }}</el-button></RouterLink
      >
      <button v-if="ask.mayWait" type="button" class="link later" :aria-expanded="putsOff" @click="putsOff = !putsOff">Later</button>
    </span>
    <PutOff
      v-if="putsOff"
      class="putting"
      @until="chosen({ until: $event })"
      @never="chosen({ reason: $event })"
      @close="putsOff = false"
    />
  </li>
</template>

<style scoped>
.ask {
  display: grid;
  grid-template-columns: 34px 104px minmax(110px, 160px) 1fr auto;
  align-items: center;
  gap: 8px;
  padding: 9px 4px;
  border-bottom: 1px solid var(--rule);
}

.name {
  font-weight: 700;
  text-decoration: none;
}

.name:hover {
  text-decoration: underline;
}

.stop {
  color: var(--madder);
}

.ask:not(:has(.name)) .sentence {
  grid-column: 3 / 5;
}

.ask:focus {
  outline: 2px solid var(--bronze);
  outline-offset: -2px;
}

.putting {
  grid-column: 3 / -1;
}

.box {
  width: 14px;
  height: 14px;
  border: 1.5px solid var(--soot);
}

.later {
  min-width: 44px;
}

@media print {
  .ask {
    grid-template-columns: 24px 34px 104px minmax(110px, 160px) 1fr;
    break-inside: avoid;
  }
}

.deeds {
  display: flex;
  gap: 8px;
  justify-content: flex-end;
}

.deeds :deep(.el-button + .el-button) {
  margin-left: 0;
}

@media (max-width: 720px) {
  .ask {
    grid-template-columns: 30px minmax(0, 1fr) auto;
    padding: 12px 0;
  }

  .due {
    order: 3;
    font-size: 13px;
  }

  .ask:not(:has(.name)) .due {
    grid-column: 2 / -1;
    order: 0;
  }

  .ask .sentence,
  .ask:not(:has(.name)) .sentence,
  .deeds {
    grid-column: 1 / -1;
    order: 4;
  }

  .putting {
    grid-column: 1 / -1;
    order: 5;
  }

  .deeds {
    flex-wrap: wrap;
    justify-content: stretch;
  }

  .deeds :deep(.el-button) {
    flex: 1;
  }
}
</style>
