/** The page behind every view's address, who may reach which address, and the description of the interface. */
package org.zealousladder.server.platform.pages;
