// A page that opens on more than the first screen fetches what the screens share beside the application itself.
(function () {
  var shared = document.querySelector('meta[name="shared"]');
  if (!shared || !/^\/(jobs\/.+|shelf|bench\/.+|firm)/.test(location.pathname)) return;
  var link = document.createElement('link');
  link.rel = 'preload';
  link.as = 'script';
  link.href = shared.content;
  document.head.append(link);
})();
