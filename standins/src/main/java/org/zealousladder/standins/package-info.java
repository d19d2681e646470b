/** Small simulated stand-ins for what a school has beside this program, for trying and for tests. They know made-up people only. */
package org.zealousladder.standins;
