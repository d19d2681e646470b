package org.zealousladder.demo;

import java.io.IOException;

/** Two passages written for the demo, with questions. */
final class Passages {
    private static final String TIDE = """
            Every morning Mara reads the tide table before she ties her shoes.
            Today the small numbers say that the water will be low at ten.
            That is good news, because the whole class wants to walk out to the old mill.
            The mill stands on a rock that is an island for most of the day.
            At half past nine the children line up on the wet sand.
            Their teacher counts them twice and looks at the grey clouds.
            The path is marked with white poles, and each pole has a number.
            Between the poles the sand is full of little pools.
            In one of them a crab walks sideways and lifts its claws at Tomas.
            Nobody may stay behind, so Tomas waves to the crab and runs.
            At the mill they eat their bread and listen to the wind in the broken wheel.
            Mara looks at her watch and then at the poles.
            The lowest stripe on the nearest pole is already dark.
            She does not shout, but she pulls her teacher by the sleeve.
            Ten minutes later everybody is on the way back, and their boots are still dry.
            """;
    private static final String GULL = """
            The ferry had been late all week, and the gull on the bollard knew it.
            It sat there with its head on one side and watched the people wait.
            An old man opened a paper bag, looked around, and closed it again.
            A girl with a red rucksack drew the gull in her notebook.
            She gave it a captain's hat and a very proud face.
            When the horn sounded at last, everybody picked up boxes and bags.
            The old man needed both hands for his basket, so he put the paper bag down.
            It was only for a moment, but a moment is long for a gull.
            There was a white flash, a rustle, and a shout.
            Then the bag was high above the harbour with two feet under it.
            Something fell out and splashed beside the boat.
            The girl turned the page and began a new picture.
            Underneath she wrote in large letters: the captain takes his pay.
            The old man bent over her shoulder to look, and then he laughed.
            He laughed so loudly that the gull dropped the rest.
            """;

    private Passages() {}

    static void write(Sheets sheets) throws IOException {
        sheets.row("passages", "tide-table", "The tide table", TIDE.strip(), 3, "");
        sheets.row("passages", "ferry-gull", "The gull on the bollard", GULL.strip(), 3, "");
        question(sheets, "tide-table", 1, "literal", "Where does the class want to go?", 1);
        question(sheets, "tide-table", 2, "literal", "What does Tomas see in a pool?", 1);
        question(sheets, "tide-table", 3, "inferential", "Why does Mara pull her teacher by the sleeve?", 2);
        question(sheets, "tide-table", 4, "inferential", "What would have happened had nobody looked at the poles?", 2);
        question(sheets, "ferry-gull", 1, "literal", "What does the girl do while she waits?", 1);
        question(sheets, "ferry-gull", 2, "literal", "What does the gull take?", 1);
        question(sheets, "ferry-gull", 3, "inferential", "Why did the old man close his bag again?", 2);
        question(sheets, "ferry-gull", 4, "inferential", "Is the old man angry in the end? How do you know?", 2);
    }

    private static void question(Sheets sheets, String passage, int number, String kind, String text, int points) throws IOException {
        sheets.row("passage-questions", passage, number, kind, text, points);
    }
}
