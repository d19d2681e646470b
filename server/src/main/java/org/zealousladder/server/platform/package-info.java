/**
 * What every capability stands on and none owns: who is asking, today's date, transactions that carry the viewer into the
 * database, problem details, the pages and the OpenAPI description.
 */
package org.zealousladder.server.platform;
