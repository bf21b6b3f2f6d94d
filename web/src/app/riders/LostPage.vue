<script setup lang="ts">
import PageFrame from './PageFrame.vue'
</script>

<template>
  <PageFrame>
    <h1>There is nothing at this address</h1>
    <p><RouterLink to="/riders">All riders</RouterLink></p>
  </PageFrame>
</template>
