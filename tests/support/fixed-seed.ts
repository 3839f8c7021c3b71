import fc from 'fast-check';

/** Properties are tried on the same cases each time: a failure on one machine is a failure on all. */
fc.configureGlobal({ seed: 20_261_125 });
