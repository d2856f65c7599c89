/* Ticks fifty times a second: a cue is heard within a fiftieth of its moment, the tab asleep or not. */
setInterval(() => postMessage(null), 20);
