package org.zealousladder.server.platform;

/** Small numbers in words and sentences with a capital and a full stop. */
public final class Words {
    private static final String[] SMALL = {"none", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten",
        "eleven", "twelve"};

    private Words() {}

    public static String number(long n) {
        return n >= 0 && n < SMALL.length ? SMALL[(int) n] : Long.toString(n);
    }

    public static String sentence(String text) {
        return text.isEmpty() ? "" : Character.toUpperCase(text.charAt(0)) + text.substring(1) + ".";
    }
}
