import { createRouter, createWebHistory, type RouteLocationRaw, type RouteRecordRaw } from "vue-router";

export interface Place {
  name: string;
  title: string;
  /** Leads there. */
  key: string;
  component: () => Promise<unknown>;
  /** It shows what is on the bench, so it needs a setup there. */
  needsBench: boolean;
}

/** The places, in the order of the work. One that needs no bench is a line here and its component. */
export const PLACES: readonly Place[] = [
  {
    name: "garage",
    title: "Garage",
    key: "0",
    component: () => import("@/places/garage/GaragePlace.vue"),
    needsBench: false,
  },
  {
    name: "car",
    title: "Car",
    key: "1",
    component: () => import("@/places/car/CarPlace.vue"),
    needsBench: true,
  },
  {
    name: "chain",
    title: "Chain",
    key: "2",
    component: () => import("@/places/chain/ChainPlace.vue"),
    needsBench: true,
  },
  {
    name: "heat",
    title: "Heat",
    key: "3",
    component: () => import("@/places/heat/HeatPlace.vue"),
    needsBench: true,
  },
  {
    name: "air",
    title: "Air",
    key: "4",
    component: () => import("@/places/air/AirPlace.vue"),
    needsBench: true,
  },
  {
    name: "plan",
    title: "Plan",
    key: "5",
    component: () => import("@/places/plan/PlanPlace.vue"),
    needsBench: true,
  },
];
/** The start page, also shown while the bench is empty. */
const HOME = "garage";

/** The available places: without a setup, those that need none. */
export const placesWith = (setupId: string): readonly Place[] =>
  PLACES.filter((place) => setupId || !place.needsBench);

/** The address of a place with this setup on the bench; the start page if it needs one and there is none. */
export function addressOf(name: string, setupId: string): RouteLocationRaw {
  const place = PLACES.find((one) => one.name === name);
  if (!place || (place.needsBench && !setupId)) return { name: HOME };
  return place.needsBench ? { name, params: { setupId } } : { name };
}

const routeOf = ({ name, title, component, needsBench }: Place): RouteRecordRaw => ({
  path: needsBench ? `/:setupId/${name}` : `/${name}`,
  name,
  component: component as () => Promise<never>,
  meta: { needsBench, title },
});

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: "/", name: "desk", component: { template: "" } },
    ...PLACES.map(routeOf),
    {
      path: "/new",
      name: "new",
      component: () => import("@/places/begin/NewCarPlace.vue"),
      meta: { needsBench: false, title: "New car" },
    },
    {
      path: "/:setupId/begin",
      name: "begin",
      component: () => import("@/places/begin/BeginPlace.vue"),
    },
    {
      path: "/:setupId/tape",
      name: "tape",
      component: () => import("@/places/air/TapePage.vue"),
      meta: { alone: true },
    },
    { path: "/:rest(.*)*", redirect: "/" },
  ],
});
