package org.zealousladder.server.learning.packages;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.w3c.dom.Element;
import org.zealousladder.server.learning.checks.ChecksService;
import org.zealousladder.server.learning.checks.ChecksView;
import org.zealousladder.server.learning.items.BankService;
import org.zealousladder.server.learning.items.ItemForm;
import org.zealousladder.server.learning.packages.QtiItem.Unsupported;
import org.zealousladder.server.platform.problems.Refusal;

/** Brings items of packages into the bank: looked at first, then taken; the same package again brings what is new in it. */
@Service
@Transactional
class PackagesService {
    private final BankService bank;
    private final ChecksService checks;

    PackagesService(BankService bank, ChecksService checks) {
        this.bank = bank;
        this.checks = checks;
    }

    /**
     * An item of a package.
     *
     * @param state new, known (in the bank already) or unsupported
     * @param words why it cannot be asked here, or what of it is left out; null: nothing
     */
    record PackageItem(String name, @Nullable String kind, String state, @Nullable String words) {}

    /** @param check the check that was made of them; null: none */
    record PackageResult(List<PackageItem> items, int added, int known, int unsupported, @Nullable Integer check) {}

    /**
     * @param skill that all of them ask for; null: that is said later
     * @param check name of a check that is made of them; null: none
     * @param take whether to keep them, or only to say what would come
     */
    PackageResult bring(int school, @Nullable Integer skill, @Nullable String check, byte[] body, boolean take) {
        bank.require(school);
        QtiPackage all = QtiPackage.read(body);
        Set<String> known = new HashSet<>(bank.known(school, all.parts().stream().map(QtiPackage.Part::item)
                .filter(java.util.Objects::nonNull).map(PackagesService::identifier).toList()));
        List<Integer> skills = skill == null ? List.of() : List.of(skill);
        List<PackageItem> said = new ArrayList<>();
        List<Integer> made = new ArrayList<>();
        for (QtiPackage.Part part : all.parts()) {
            Element item = part.item();
            if (item == null) {
                said.add(new PackageItem(part.place(), null, "unsupported", part.problem()));
                continue;
            }
            String name = item.getAttribute("title").isBlank() ? part.place() : item.getAttribute("title");
            try {
                Map<String, Integer> kept = new HashMap<>();
                QtiItem.Read read = QtiItem.read(item, school, skills, shown -> picture(all, part, shown, school, take, kept));
                ItemForm form = read.form().ready();
                String words = read.notices().isEmpty() ? null : String.join(" ", read.notices());
                if (!known.add(identifier(item))) {
                    said.add(new PackageItem(name, form.kind(), "known", words));
                    bank.byIdentifier(school, identifier(item)).ifPresent(made::add);
                } else {
                    said.add(new PackageItem(name, form.kind(), "new", words));
                    if (take) {
                        made.add(bank.add(form, identifier(item)));
                    }
                }
            } catch (Unsupported e) {
                said.add(new PackageItem(name, null, "unsupported", e.getMessage()));
            } catch (Refusal e) {
                said.add(new PackageItem(name, null, "unsupported", e.getMessage()));
            }
        }
        List<Integer> distinct = made.stream().distinct().toList();
        Integer checkId = take && check != null && !check.isBlank() && !distinct.isEmpty()
                ? (Integer) checks.add(new ChecksView.CheckForm(school, check.strip(), distinct, false, null, null, null))
                : null;
        return new PackageResult(said, count(said, "new"), count(said, "known"), count(said, "unsupported"), checkId);
    }

    private static int count(List<PackageItem> items, String state) {
        return (int) items.stream().filter(i -> i.state().equals(state)).count();
    }

    private static String identifier(Element item) {
        String id = item.getAttribute("identifier");
        return id.length() > 255 ? id.substring(0, 255) : id.isEmpty() ? "item" : id;
    }

    /** Kept once for each item that shows it; while it is only looked at, whether it could be. */
    private @Nullable Integer picture(QtiPackage all, QtiPackage.Part part, QtiItem.Shown shown, int school, boolean take, Map<String, Integer> kept) {
        String place = QtiPackage.beside(part.place(), shown.place());
        byte[] content = all.files().get(place);
        if (content == null || !BankService.canBeShown(content)) {
            return null;
        }
        String words = shown.words().isBlank() ? "a picture" : shown.words().length() > 300 ? shown.words().substring(0, 300) : shown.words();
        return take ? kept.computeIfAbsent(place, p -> bank.addPicture(school, content, words)) : Integer.valueOf(1);
    }
}
