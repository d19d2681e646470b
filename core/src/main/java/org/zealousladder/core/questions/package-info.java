/** Questions for a team meeting that follow from the figures: each is asked only when its condition holds. */
package org.zealousladder.core.questions;
