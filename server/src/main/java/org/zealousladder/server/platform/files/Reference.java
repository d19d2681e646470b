package org.zealousladder.server.platform.files;

/**
 * What a column can refer to by its code, and by its name where only one thing has it.
 *
 * @param column the name of the columns that refer so, in whatever kind of file
 * @param noun what people call one of them
 * @param codes select of all codes
 * @param meant select over the temporary table {@code asked (text, narrower)} that gives {@code text}, {@code narrower}, {@code code}, {@code label}: what is called
 *     so, and {@code sure}: false where something speaks against it
 * @param all select of {@code code} and {@code label} of what can be chosen from; of many, none are offered
 */
public record Reference(String column, String noun, String codes, String meant, String all) {}
