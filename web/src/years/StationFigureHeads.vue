<template>
  <th class="number">Candidates</th>
  <th class="number">Mean, %</th>
  <th class="number">Cut (95 %)</th>
  <th class="number">R²</th>
  <th class="number">Below the cut</th>
  <th class="number">Kappa (95 %)</th>
</template>
