package org.zealousladder.server.platform.files;

import java.util.List;
import java.util.stream.Collectors;
import org.zealousladder.core.scores.FormName;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Describes a table of ours as <a href="https://www.w3.org/TR/tabular-metadata/">CSV on the Web</a>: its columns with their datatypes, as they are declared. */
public final class TableDescription {
    public static final String CONTEXT = "http://www.w3.org/ns/csvw";
    /** Media type of a description. */
    public static final String MEDIA_TYPE = "application/csvm+json";

    private TableDescription() {}

    /**
     * A description.
     *
     * @param url of the table, from where the description is
     */
    public static String of(JsonMapper json, String url, String title, List<Column> columns) {
        return of(json, url, title, columns, List.of());
    }

    /**
     * A description.
     *
     * @param instead words that stand in cells of numbers where there is none
     */
    public static String of(JsonMapper json, String url, String title, List<Column> columns, List<String> instead) {
        ObjectNode all = json.createObjectNode();
        all.put("@context", CONTEXT).put("url", url).put("dc:title", title);
        all.putObject("dialect").put("encoding", "utf-8").put("delimiter", ",").put("header", true);
        ArrayNode described = all.putObject("tableSchema").putArray("columns");
        for (Column c : columns) {
            ObjectNode column = described.addObject().put("name", c.name()).put("titles", c.name()).put("required", !c.mayBeEmpty());
            column.set("datatype", datatype(json, c, Forms.OWN));
            if (c.type() == Column.Type.NUMBER && !instead.isEmpty()) {
                ArrayNode nothing = column.putArray("null").add("");
                instead.forEach(nothing::add);
            }
        }
        return json.writeValueAsString(all);
    }

    /** What stands in the cells of a column, written as {@code forms} say. */
    public static ObjectNode datatype(JsonMapper json, Column column, Forms forms) {
        ObjectNode datatype = json.createObjectNode();
        switch (column.type()) {
            case DATE -> datatype.put("base", "date").put("format", switch (forms.days()) {
                case YEAR_FIRST -> "yyyy-MM-dd";
                case DAY_FIRST -> "dd/MM/yyyy";
                case MONTH_FIRST -> "MM/dd/yyyy";
            });
            case NUMBER -> datatype.put("base", "number").putObject("format").put("decimalChar", forms.decimals() == Forms.Decimals.COMMA ? "," : ".");
            case WHOLE -> datatype.put("base", "integer");
            case CHOICE -> {
                // A format of a text is a pattern for the whole of it.
                datatype.put("base", "string");
                if (forms.equals(Forms.OWN)) {
                    datatype.put("format", column.choices().stream().map(c -> c.replace(".", "\\.")).collect(Collectors.joining("|")));
                }
            }
            case GRADE -> datatype.put("base", "string").put("format", "KG|[1-9]|1[0-3]");
            case FORM -> datatype.put("base", "string").put("maxLength", FormName.LONGEST);
            case TEXT -> datatype.put("base", "string");
        }
        return datatype;
    }
}
