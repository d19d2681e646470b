/** The scope line: which classes, measures and years the viewer can choose from. */
package org.zealousladder.server.overview.scope;
