package apodex.session;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;

/** Anything that carries signal and can be printed. */
@JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "type")
@JsonSubTypes({
    @JsonSubTypes.Type(value = AudioRow.class, name = "audio"),
    @JsonSubTypes.Type(value = MixRow.class, name = "mix")
})
public sealed interface Row permits AudioRow, MixRow {
    /** Stays the same for the row's whole life. */
    String id();

    String name();

    Row withName(String name);
}
