package org.zealousladder.server.exchange.records;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.zealousladder.server.exchange.records.csv.BadCsvException;
import org.zealousladder.server.platform.files.Bundle;
import org.zealousladder.server.platform.files.Column;
import org.zealousladder.server.platform.files.DeclaresFiles;
import org.zealousladder.server.platform.files.FileKind;
import org.zealousladder.server.platform.files.Reference;
import org.zealousladder.server.platform.files.Subject;

/** All kinds of files that the capabilities declare, which one a header row is, and what other people's tables can be about. */
@Component
class ImportKinds {
    /** What others refer to comes first. */
    private static final List<String> ORDER = List.of("schools", "years", "calendar", "measures", "strategies", "people", "roles", "classes", "groups",
            "groupings", "students",
            "grouped", "people-at-home", "windows", "enrolments", "members", "teaches", "leads", "timetable", "caseloads", "cut-sets", "cuts", "norms",
            "norm-growth",
            "scores", "goals", "concerns", "plans",
            "plan-phases",
            "plan-changes", "sessions", "tiers", "attendance", "activity", "work", "work-results", "contacts",
            "passages", "passage-questions", "readings", "reading-marks", "frameworks", "skills", "skill-grounds", "skill-advice", "taught", "items",
            "item-skills", "item-answers", "checks",
            "check-items", "answers", "small-groups", "identifiers");

    private final List<FileKind> all;
    private final List<Subject> subjects;
    private final List<Reference> references;
    private final List<Bundle> bundles;

    ImportKinds(List<DeclaresFiles> declared) {
        all = declared.stream().flatMap(d -> d.files().stream()).sorted(Comparator.comparing(FileKind::label)).toList();
        all.stream().filter(k -> turn(k) < 0).findFirst().ifPresent(k -> {
            throw new IllegalStateException("say above when files of " + k.label() + " are taken");
        });
        references = declared.stream().flatMap(d -> d.references().stream()).toList();
        bundles = declared.stream().flatMap(d -> d.bundles().stream()).toList();
        List<Subject> own = declared.stream().flatMap(d -> d.subjects().stream()).toList();
        subjects = new ArrayList<>(own);
        all.stream().filter(k -> own.stream().noneMatch(s -> s.code().equals(k.code()))).map(Subject::of).forEach(subjects::add);
    }

    /** By their label. */
    List<FileKind> all() {
        return all;
    }

    List<Reference> references() {
        return references;
    }

    List<Bundle> bundles() {
        return bundles;
    }

    /** Those of which a person says what a table is about. */
    List<Subject> told() {
        return subjects.stream().filter(s -> s.knownBy().isEmpty()).toList();
    }

    /** The file of a standard form that has this header; of several the one with most of its columns. */
    Optional<Subject> standard(List<String> header) {
        return subjects.stream().filter(s -> !s.knownBy().isEmpty() && header.containsAll(s.knownBy()))
                .max(Comparator.comparingLong(s -> s.fields().stream().filter(f -> header.contains(f.name())).count()));
    }

    FileKind named(String code) {
        return all.stream().filter(k -> k.code().equals(code)).findFirst().orElseThrow();
    }

    /** The place of a kind among those that are taken together. */
    static int turn(FileKind kind) {
        return ORDER.indexOf(kind.code());
    }

    /** Empty for a code that is none. */
    Optional<Subject> subject(@Nullable String code) {
        return subjects.stream().filter(s -> s.code().equals(code)).findFirst();
    }

    /** Those that a capability declares first, then one for each other kind. */
    List<Subject> subjects() {
        return subjects;
    }

    /** The kind whose columns are all there, the one with most of them if several are. */
    Optional<FileKind> known(List<String> header) {
        return all.stream().filter(k -> missing(k, header).isEmpty()).max(Comparator.comparingLong(k -> matched(k, header)));
    }

    /**
     * As {@link #known}.
     *
     * @throws BadCsvException naming what is missing for the nearest kind
     */
    FileKind of(List<String> header) throws BadCsvException {
        return known(header).orElseThrow(() -> unknown(header));
    }

    private BadCsvException unknown(List<String> header) {
        FileKind nearest = all.stream()
                .max(Comparator.comparingDouble(k -> matched(k, header) - missing(k, header).size() - 0.001 * k.columns().size())).orElseThrow();
        String found = "The first row names the columns " + String.join(", ", header) + ".";
        if (matched(nearest, header) == 0) {
            return new BadCsvException(found + " That is none of the files we know. A file of scores has: student, measure, date, score.");
        }
        return new BadCsvException(found + " For a file of " + nearest.label() + " it lacks: " + String.join(", ", missing(nearest, header)) + ".");
    }

    private static List<String> missing(FileKind kind, List<String> header) {
        return kind.columns().stream().filter(c -> c.required() && !header.contains(c.name())).map(Column::name).toList();
    }

    private static long matched(FileKind kind, List<String> header) {
        return kind.columns().stream().filter(c -> header.contains(c.name())).count();
    }
}
