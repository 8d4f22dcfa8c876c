// The application first. Once it has come, and while it is being read, what the screens of a job share and the part of the
// step on which the page opens: one after another, so that none waits for the others on a slow line.
(function () {
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
  var come = [];
  var begun = false;
  function begin() {
    var links = document.querySelectorAll('link[data-application]');
    if (begun || document.readyState === 'loading' || come.length < links.length) return;
    begun = true;
    // Now's own small parts come after its first screen, when they are drawn.
    (JSON.parse(contentOf('parts') || '{}')[location.pathname.split('/').pop()] || []).forEach(fetchSoon);
    links.forEach(function (link) {
      var script = document.createElement('script');
      script.src = link.href;
      script.async = false;
      document.body.append(script);
    });
  }
  function noteCome(event) {
    if (!event.target.matches || !event.target.matches('link[data-application]')) return;
    come.push(event.target);
    begin();
  }
  // Listened for on the document, before its links are read: what lies on the phone already comes at once. The page's own
  // load event says nothing of them. What cannot be fetched is asked for again by its script, where its failure is said.
  document.addEventListener('load', noteCome, true);
  document.addEventListener('error', noteCome, true);
  document.addEventListener('DOMContentLoaded', begin);
})();
