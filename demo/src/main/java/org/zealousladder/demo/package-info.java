/**
 * Invented data in open files, the same kind that users bring in: Skerrow Island School, and a district for scale work.
 * One seed; the same files every time.
 */
package org.zealousladder.demo;
