/** What a school keeps of its students beside their scores: names, birthdays, groupings, people at home. */
package org.zealousladder.server.school.facts;
