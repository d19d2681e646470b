/** Cut scores looked at and changed: ladders of a set, with a preview of who would move before anything is saved. */
package org.zealousladder.server.screening.cuts;
