/** How a capability declares the files it takes in: columns, what makes a row wrong, and the SQL that turns rows into records. */
package org.zealousladder.server.platform.files;
