/* Ticks ten times a second; a worker's timer goes on while the tab sleeps. */
setInterval(() => postMessage(null), 100);
