package org.zealousladder.server.learning.items;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import tools.jackson.databind.json.JsonMapper;

/** Items with their keys and skills, and checks. */
@Repository
class ItemsStore {
    private final JdbcClient db;
    private final JsonMapper json;

    ItemsStore(JdbcClient db, JsonMapper json) {
        this.db = db;
        this.json = json;
    }

    private record KeyRow(int itemId, String answer, double share, @Nullable String shows) {}

    List<Item> items(Collection<Integer> ids) {
        Map<Integer, List<Item.ItemKey>> keys = db
                .sql("select item_id, answer, share, shows from skills_key where item_id = any(:ids) order by item_id, share desc, answer")
                .param("ids", ids.toArray(Integer[]::new)).query(KeyRow.class).list().stream()
                .collect(Collectors.groupingBy(KeyRow::itemId,
                        Collectors.mapping(k -> new Item.ItemKey(k.answer(), k.share(), k.shows()), Collectors.toList())));
        return db.sql("""
                select i.id, i.code, i.school_id, i.kind, i.prompt, i.body, i.possible,
                       array(select k.skill_id from skills_item_skill k where k.item_id = i.id order by 1) as skills
                  from skills_item i where i.id = any(:ids) order by i.id""").param("ids", ids.toArray(Integer[]::new))
                .query((r, n) -> item(r, keys.getOrDefault(r.getInt("id"), List.of()))).list();
    }

    private Item item(ResultSet r, List<Item.ItemKey> keys) throws SQLException {
        return new Item(r.getInt("id"), r.getString("code"), r.getObject("school_id", Integer.class), r.getString("kind"), r.getString("prompt"),
                json.readValue(r.getString("body"), ItemBody.class), r.getDouble("possible"), keys, List.of((Integer[]) r.getArray("skills").getArray()));
    }

    private record PlaceRow(int checkId, int itemId, String label) {}

    private record CheckRow(int id, String code, @Nullable Integer schoolId, String name, boolean elsewhere, boolean shuffle, @Nullable Integer minutes,
            @Nullable Integer measureId, @Nullable String feeds) {}

    /** In the order of their ids; their items in the order in which they are asked. */
    List<Check> checks(Collection<Integer> ids) {
        Map<Integer, List<Check.Place>> places = new HashMap<>();
        db.sql("select check_id, item_id, label from skills_check_item where check_id = any(:ids) order by check_id, place, item_id")
                .param("ids", ids.toArray(Integer[]::new)).query(PlaceRow.class).list()
                .forEach(p -> places.computeIfAbsent(p.checkId(), c -> new java.util.ArrayList<>()).add(new Check.Place(p.itemId(), p.label())));
        return db.sql("select id, code, school_id, name, elsewhere, shuffle, minutes, measure_id, feeds from skills_check where id = any(:ids) order by id")
                .param("ids", ids.toArray(Integer[]::new)).query(CheckRow.class).list().stream()
                .map(c -> new Check(c.id(), c.code(), c.schoolId(), c.name(), c.elsewhere(), c.shuffle(), c.minutes(), c.measureId(), c.feeds(),
                        places.getOrDefault(c.id(), List.of())))
                .toList();
    }

    /** Of every school and of {@code school}. */
    List<Integer> checkIds(int school) {
        return db.sql("select id from skills_check where not ended and (school_id is null or school_id = :school) order by id").param("school", school)
                .query(Integer.class).list();
    }

    void skills(int item, Collection<Integer> skills) {
        db.sql("delete from skills_item_skill where item_id = :item and not skill_id = any(:skills)").param("item", item)
                .param("skills", skills.toArray(Integer[]::new)).update();
        db.sql("insert into skills_item_skill (item_id, skill_id) select :item, k.id from skills_skill k where k.id = any(:skills) on conflict do nothing")
                .param("item", item)
                .param("skills", skills.toArray(Integer[]::new)).update();
    }

    List<ItemsService.Mending> mendings(int item) {
        return db.sql("""
                select c.before, c.after, c.because, c.made_on, p.name from skills_item_change c left join people_person p on p.id = c.made_by
                 where c.item_id = :item order by c.id desc limit 20""").param("item", item)
                .query((r, n) -> new ItemsService.Mending(List.of((Integer[]) r.getArray(1).getArray()), List.of((Integer[]) r.getArray(2).getArray()),
                        r.getString(3), r.getObject(4, java.time.LocalDate.class), r.getString(5)))
                .list();
    }

    void noteMending(int item, Collection<Integer> before, Collection<Integer> after, @Nullable String because, java.time.LocalDate day) {
        db.sql("""
                insert into skills_item_change (item_id, before, after, because, made_on, made_by)
                values (:item, :before, :after, :because, :day, (select scope_person()))""").param("item", item)
                .param("before", before.toArray(Integer[]::new)).param("after", after.toArray(Integer[]::new))
                .param("because", because, java.sql.Types.VARCHAR).param("day", day).update();
    }

    boolean mayWrite(@Nullable Integer school) {
        return db.sql("select skills_may_write(:school::integer)").param("school", school, java.sql.Types.INTEGER).query(Boolean.class).single();
    }
}
