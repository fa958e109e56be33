/**
 * Long work: kit plans, handovers, files that are read. It runs on a few threads of its own, in a bounded queue that takes
 * turns among sites, so that a short request never waits behind a long one; who asks waits for it, is told how far it is, and
 * may call it off. No transaction may stand open meanwhile.
 */
package hausbau.server.jobs;
