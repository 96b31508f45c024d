// What is shown first is asked for while the program itself is still being read.
const [, mix, place] = /^(\/mixes\/[^/]+)\/?([^/]*)/.exec(location.pathname) ?? [];
const ask = (wanted) => document.head.append(Object.assign(document.createElement("link"), wanted));
// The Ledger stands before the rest of its Mix has come.
const asked = ["/knowledge", place === "ledger" ? mix + "/ledger" : (mix ?? "/mixes")];
for (const path of asked) {
  ask({ rel: "preload", as: "fetch", crossOrigin: "anonymous", href: "/api" + path });
}

// The place's own script, which the build names; none while it is being developed.
const CHUNKS = {
  flow: "FlowPlace",
  intake: "IntakePlace",
  ledger: "LedgerPlace",
  outline: "OutlinePlace",
  map: "MapPlace",
  check: "LineCheckPlace",
  delivery: "DeliverySheet",
};
const places = document.querySelector("meta[name=places]");
const chunk = places && JSON.parse(places.content)[CHUNKS[place] ?? "ShelfPlace"];
if (chunk) {
  ask({ rel: "modulepreload", href: chunk });
}
