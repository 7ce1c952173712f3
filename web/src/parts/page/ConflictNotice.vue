<script setup lang="ts">
import { eventSentence } from '@hollow-bell/core/record';
import { computed } from 'vue';
import { useReader } from '../../composables/useReader.ts';
import { useOutbox } from '../../stores/outbox.ts';
import { useRecord } from '../../stores/record.ts';

const record = useRecord();
const outbox = useOutbox();
const { tell } = useReader();
const others = computed(() => (outbox.conflict?.since ?? []).map((event) => tell(eventSentence(event))).join('; '));
</script>

<template>
  <div v-if="outbox.conflict !== null" class="notice stop" role="alert">
    <p>
      Another window wrote to this batch: <b>{{ others }}</b>. Yours, “{{ outbox.conflict.typed }}”, is kept and not yet written.
    </p>
    <el-button type="primary" @click="record.settle('write')">Write mine after it</el-button>
    <el-button @click="record.settle('leave')">Leave mine out</el-button>
  </div>
</template>

<style scoped>
p {
  flex: 1 1 300px;
}
</style>
