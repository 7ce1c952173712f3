<template>
  <section class="nowhere">
    <h1>Nothing stands here.</h1>
    <p>The address leads to no batch and no place. <RouterLink :to="{ name: 'rounds' }">To Rounds</RouterLink></p>
  </section>
</template>

<style scoped>
.nowhere {
  display: grid;
  gap: 10px;
  padding-top: 40px;
}
</style>
