// The application first. Once it has come, and while it is being read, what the screens of a job share and the part of the
// step on which the page opens: one after another, so that none waits for the others on a slow line.
(function () {
  var links = document.querySelectorAll('link[data-application]');
  var contentOf = function (name) {
    var meta = document.querySelector('meta[name="' + name + '"]');
    return meta ? meta.content : '';
  };
  var fetchSoon = function (href) {
    var link = document.createElement('link');
    link.rel = 'preload';
    link.as = 'script';
    link.href = href;
    document.head.append(link);
  };
  var waiting = links.length;
  var begun = false;
  function begin() {
    if (begun) return;
    begun = true;
    if (/^\/(jobs\/.+|shelf|bench\/.+|firm)/.test(location.pathname)) {
      fetchSoon(contentOf('shared'));
      (JSON.parse(contentOf('parts') || '{}')[location.pathname.split('/').pop()] || []).forEach(fetchSoon);
    }
    links.forEach(function (link) {
      var script = document.createElement('script');
      script.src = link.href;
      script.async = false;
      document.body.append(script);
    });
  }
  function oneMore() {
    waiting -= 1;
    if (waiting > 0) return;
    if (document.body && document.readyState !== 'loading') begin();
    else document.addEventListener('DOMContentLoaded', begin, { once: true });
  }
  links.forEach(function (link) {
    // Come already, before this was read. (The page's own load event says nothing: it does not wait for what is preloaded.)
    var come = performance.getEntriesByName(link.href).some(function (entry) {
      return entry.responseEnd > 0;
    });
    if (come) oneMore();
    else {
      link.addEventListener('load', oneMore, { once: true });
      // What does not come is asked for again by the script itself, and its failure is said there.
      link.addEventListener('error', oneMore, { once: true });
    }
  });
})();
