<template>
  <div class="screen">
    <h1>There is nothing at this address</h1>
    <p>The page may have been part of a trip that is gone. <RouterLink :to="{ name: 'trips' }">Back to the trips</RouterLink></p>
  </div>
</template>
