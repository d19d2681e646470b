package org.zealousladder.server;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.zealousladder.server.platform.who.Viewer;

/** Another school beside the demo's, with people of its own and some who are at both: what is asked by every route about it. */
abstract class OtherSchool extends ScreeningTest {
    protected static final String THEIRS = "Quillfeather";
    protected static final String OURS = "Hale";

    /** What a route is asked with, by the name of the parameter; a new name has to be added. */
    protected final Map<String, String> asked = new TreeMap<>(
            Map.of("area", "Reading", "asOf", "2026-03-13", "day", "2026-03-13", "from", "2025-09-01", "to", "2026-03-13",
                    "first", "50", "words", THEIRS, "find", THEIRS));

    protected int number(String sql, String code) {
        return asking(Viewer.SYSTEM, () -> db.sql(sql).param("c", code).query(Integer.class).single());
    }

    /** What is changed by one test is not what another looks at: each has a school of its own, told apart by a letter. */
    protected String letter = "";

    protected String mine(String text) {
        String own = text;
        for (String name : List.of("OUT", "TERN-G", "Tern readers", "Outer isle school", "o.teacher", "o.head", "o.special", "e.special", "m.mixed", "k.both",
                "k.was", THEIRS)) {
            own = own.replace(name, name + letter);
        }
        return own;
    }

    protected void given(String... lines) {
        take(Stream.of(lines).map(this::mine).toArray(String[]::new));
    }

    protected int foreign;
    protected List<String> whos = new ArrayList<>();

    protected void anotherSchool() throws Exception {
        given("school,name", "OUTER,Outer isle school");
        given("login,person,role,school", "o.teacher,O. Teacher,teacher,OUTER", "o.head,O. Head,coordinator,OUTER", "o.special,O. Special,teacher,OUTER",
                "e.special,E. Special,interventionist,SKERROW", "m.mixed,M. Mixed,teacher,SKERROW", "k.both,K. Both,teacher,SKERROW",
                "k.was,K. Was,coordinator,SKERROW");
        given("class,school,year,name,grade", "OUT-3,OUTER,2025-26,Outer three,3");
        given("login,role,school,from,to", "k.both,coordinator,OUTER,2026-01-05,2026-06-26", "k.was,coordinator,OUTER,2025-09-01,2026-03-12",
                "k.was,teacher,OUTER,2026-03-14,");
        given("login,class", "o.teacher,OUT-3", "m.mixed,2025-TERN", "k.both,2025-TERN");
        given("student,given_name,family_name,support", "OUT-1,Wren," + THEIRS + ",Speech", "OUT-2,Finch," + THEIRS + ",");
        given("student,class,from,to", "OUT-1,OUT-3,2025-08-25,", "OUT-2,OUT-3,2025-08-25,");
        given("student,measure,date,score", "OUT-1,oral-reading,2025-09-10,40", "OUT-1,oral-reading,2026-01-14,45", "OUT-2,oral-reading,2026-01-14,90",
                "OUT-1,oral-reading,2026-02-05,46", "OUT-1,oral-reading,2026-02-12,47", "OUT-1,oral-reading,2026-02-19,49", "OUT-1,oral-reading,2026-03-05,50");
        given("student,measure,start_date,start_score,goal_date,goal_score", "OUT-1,oral-reading,2026-01-14,45,2026-05-08,80");
        given("student,area,level,since,note", "OUT-1,Reading,2,2025-10-02,Reads slowly");
        given("student,measure,starts,ends,worry,strategy,per_week,minutes,leader,place,success,group",
                "OUT-1,oral-reading,2026-01-15,2026-05-08,Reads word by word,Repeated reading,3,20,O. Teacher,library,Few stops,");
        given("student,area,year,window,tier,decided,reason", "OUT-1,Reading,2025-26,Autumn,3,2025-10-01,");
        List<String> done = new ArrayList<>(List.of("student,date,time,kind,minutes"));
        for (int d = 2; d < 14; d++) {
            done.add("OUT-1,2026-03-%02d,10:00,reading,20".formatted(d));
            done.add("OUT-2,2026-03-%02d,10:00,reading,20".formatted(d));
            done.add("OUT-1,2026-03-%02d,10:30,practice,20".formatted(d));
        }
        given(done.toArray(String[]::new));
        given("work,class,title,work_kind,due,possible", "OUT-W1,OUT-3,Outer log,homework,2026-03-06,10");
        given("student,work,handed_in,points", "OUT-2,OUT-W1,2026-03-05,7");
        given("student,date,way,whom,words", "OUT-1,2026-03-04,call,home,Glad to hear");
        given("student,date,status", "OUT-1,2026-03-03,absent", "OUT-2,2026-03-03,late");
        given("group,school,year,name,subject", "OUT-G,OUTER,2025-26,Outer readers,Reading", "TERN-G,SKERROW,2025-26,Tern readers,Reading");
        given("student,group,from,to", "OUT-1,OUT-G,2025-09-01,", "S1003,TERN-G,2025-09-01,");
        given("login,group,from,to", "o.teacher,OUT-G,2025-09-01,", "m.mixed,TERN-G,2025-09-01,");
        given("caseload_of,student,from,to", "o.special,OUT-2,2025-09-01,", "e.special,S1003,2025-09-01,", "m.mixed,S1050,2025-09-01,");
        given("framework,framework_name,of_school", "OUT-F,Outer skills,OUTER");
        given("framework,skill,skill_name,area,domain", "OUT-F,OUT-K,Outer knots,Reading,Knots");
        given("item,prompt,item_kind,of_school", "OUT-I,Which knot?,text,OUTER");
        given("item,skill", "OUT-I,OUT-K");
        given("check_code,check_name,of_school", "OUT-C,Outer check,OUTER");
        given("check_code,item", "OUT-C,OUT-I");
        given("student,item,date,points,answer,check_code", "OUT-1,OUT-I,2026-03-03,1,bowline,OUT-C", "OUT-1,OUT-I,2026-03-04,1,bowline,OUT-C",
                "OUT-1,OUT-I,2026-03-05,0,reef,OUT-C", "OUT-2,OUT-I,2026-03-05,1,bowline,OUT-C");
        signOutHere();
        foreign = number("select id from roster_student where code = :c", mine("OUT-1"));
        int school = number("select id from roster_school where code = :c", mine("OUTER"));
        asked.put("year", String.valueOf(thisYear()));
        asked.put("measure", String.valueOf(measure("oral-reading")));
        asked.put("grouping", "Support");
        asked.put("school", String.valueOf(school));
        asked.put("student", String.valueOf(foreign));
        asked.put("students", String.valueOf(foreign));
        asked.put("framework", String.valueOf(number("select id from skills_framework where code = :c", mine("OUT-F"))));
        asked.put("skill", String.valueOf(number("select id from skills_skill where code = :c", mine("OUT-K"))));
        asked.put("check", String.valueOf(number("select id from skills_check where code = :c", mine("OUT-C"))));
        asked.put("class", String.valueOf(number("select id from roster_class where code = :c", mine("OUT-3"))));
        asked.put("a", "student-" + foreign);
        asked.put("classId", asked.get("class"));
        asked.put("row", "away");
        asked.put("lane", "days");
        asked.put("aFrom", "2025-09-01");
        asked.put("aTo", "2025-12-31");
        asked.put("bFrom", "2026-01-01");
        asked.put("bTo", "2026-03-13");
        asked.put("b", "student-" + foreign);
        asked.put("window", String.valueOf(
                number("select w.id from measures_window w join roster_year y on y.id = w.year_id and y.name = '2025-26' where w.name = :c", "Winter")));
        whos = List.of("class-" + number("select id from roster_class where code = :c", mine("OUT-3")),
                "group-" + number("select id from roster_group where code = :c", mine("OUT-G")),
                "caseload-" + person(mine("o.special")).id(), "school-" + school, "grade-3-" + school);
    }
}
