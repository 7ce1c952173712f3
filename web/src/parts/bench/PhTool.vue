<script setup lang="ts">
import { useLinked } from '../../composables/useLinked.ts';
import RaisePh from '../feed/RaisePh.vue';

const trial = useLinked({
  way: 'trial',
  salt: 'bicarbonate',
  v: 5,
  sample: 100,
  added: 0.05,
  before: 3.1,
  perL: 0.3,
  after: 3.25,
  to: 3.4,
});
</script>

<template>
  <RaisePh :model-value="trial" />
</template>
