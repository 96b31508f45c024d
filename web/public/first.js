// What is shown first is asked for while the program itself is still being read.
const mix = /^\/mixes\/[^/]+/.exec(location.pathname)?.[0];
for (const path of ["/knowledge", mix ?? "/mixes"]) {
  const wanted = {
    rel: "preload",
    as: "fetch",
    crossOrigin: "anonymous",
    href: "/api" + path,
  };
  document.head.append(Object.assign(document.createElement("link"), wanted));
}
