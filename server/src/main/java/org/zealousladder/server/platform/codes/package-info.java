/** Enums with a code: one name for each constant in JSON, in addresses, in the database and in the description of the interface. */
package org.zealousladder.server.platform.codes;
