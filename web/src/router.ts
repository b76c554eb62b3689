import { createRouter, createWebHistory, type RouteLocationRaw } from "vue-router";

/** The places, in the order of the work, each with its key. */
export const PLACES = [
  { name: "garage", title: "Garage", key: "0" },
  { name: "car", title: "Car", key: "1" },
  { name: "chain", title: "Chain", key: "2" },
  { name: "heat", title: "Heat", key: "3" },
  { name: "air", title: "Air", key: "4" },
] as const;

/** Where a place is with this setup on the bench; the garage where there is none. */
export const addressOf = (place: string, setupId: string): RouteLocationRaw =>
  place === "garage" || !setupId ? { name: "garage" } : { name: place, params: { setupId } };

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: "/", name: "desk", component: { template: "" } },
    {
      path: "/garage",
      name: "garage",
      component: () => import("@/places/garage/GaragePlace.vue"),
      meta: { noBench: true },
    },
    {
      path: "/new",
      name: "new",
      component: () => import("@/places/begin/NewCarPlace.vue"),
      meta: { noBench: true },
    },
    { path: "/:setupId/begin", name: "begin", component: () => import("@/places/begin/BeginPlace.vue") },
    { path: "/:setupId/car", name: "car", component: () => import("@/places/car/CarPlace.vue") },
    { path: "/:setupId/chain", name: "chain", component: () => import("@/places/chain/ChainPlace.vue") },
    { path: "/:setupId/heat", name: "heat", component: () => import("@/places/heat/HeatPlace.vue") },
    { path: "/:setupId/air", name: "air", component: () => import("@/places/air/AirPlace.vue") },
    {
      path: "/:setupId/tape",
      name: "tape",
      component: () => import("@/places/air/TapePage.vue"),
      meta: { alone: true },
    },
    { path: "/:rest(.*)*", redirect: "/" },
  ],
});
