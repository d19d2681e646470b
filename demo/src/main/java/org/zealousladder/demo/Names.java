package org.zealousladder.demo;

import java.util.HashSet;
import java.util.Random;
import java.util.Set;

/** Made-up names from many cultures; no two students of a school share one. */
final class Names {
    private static final String[] GIVEN = ("Ada Aiko Alba Amara Anders Aneesa Anouk Anwar Arlo Asel Astrid Ayla Bao Bastian Beata Bela Bram Caspian "
            + "Chidi Dalia Dario Dina Efua Eino Elif Elowen Emre Enzo Esme Fatou Femi Finn Freya Gita Goran Hana Haruki Hedda Hugo Idris Ilse Imani "
            + "Ines Ingo Iona Isak Ivo Jamal Jannik Jonas Jory Juno Kaia Kerem Kiran Kofi Lale Leif Leila Lena Linnea Lior Luca Maja Malik Mareike Marit "
            + "Mateo Meera Mika Milan Mireille Nadia Naveen Nia Nico Niklas Noor Nuria Oksana Omar Orla Oskar Otis Paloma Pavel Pema Petra Priya Quinn "
            + "Rafael Rana Ravi Reza Rosa Runa Sami Sanna Selma Senan Signe Soren Sunniva Tala Tamar Tariq Teodor Tove Tomasz Ulla Uma Vera Vikram Wren "
            + "Yara Yusra Zadie Zara Zeno Zuri").split(" ");
    private static final String[] FAMILY = ("Achterberg Adeyemi Almasi Anand Arneson Balogun Bergan Brekke Calder Castellan Chandra Coldwell Dahl Demir Dorje "
            + "Ekberg Ellery Esposito Falk Farrow Foss Garrick Grahn Haddad Hale Halloran Hidaka Holm Ibarra Iversen Jansson Juma Kaplan Karim Kestrel "
            + "Kovac Laine Lindqvist Lorne Maddox Malhotra Marrow Mensah Mori Moritz Nakata Ng Nordahl Oduya Okoro Orlov Osei Palmgren Penhale Pilar "
            + "Quill Rahimi Rasmus Reyes Rook Rustad Sandoval Santoro Sato Selkirk Skarr Solano Stroud Sung Szabo Tamsin Thorne Tonga Tveit Ueda Vane "
            + "Varga Vidal Vance Wadia Whitlock Wold Yilmaz Yates Zeller Zhou").split(" ");

    private final Random random;
    private final Set<String> taken = new HashSet<>();

    Names(Random random) {
        this.random = random;
    }

    /** Given and family name. */
    String[] next() {
        while (true) {
            String given = GIVEN[random.nextInt(GIVEN.length)];
            String family = FAMILY[random.nextInt(FAMILY.length)];
            if (taken.add(given + " " + family)) {
                return new String[] {given, family};
            }
        }
    }

    void reserve(String name) {
        taken.add(name);
    }
}
