<template>
  <div class="page">
    <h1>There is no such page</h1>
    <p class="soft">The link may be old. <router-link to="/">Go to the beginning</router-link>.</p>
  </div>
</template>
