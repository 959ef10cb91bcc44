package apodex.session;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonSetter;
import com.fasterxml.jackson.annotation.Nulls;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.json.JsonMapper;

/** The one JSON form in which sessions, edits, handoffs and plans are kept and spoken. */
public final class SessionDocument {
    /** Unknown fields are refused: a typing mistake must not pass for a setting. */
    public static final ObjectMapper JSON = JsonMapper.builder()
            .enable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
            .enable(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES)
            .defaultSetterInfo(JsonSetter.Value.forContentNulls(Nulls.FAIL)) // a list has no empty places
            .serializationInclusion(JsonInclude.Include.ALWAYS)
            .build();

    private SessionDocument() {}

    /** As JSON (RFC 8259), readable by people. */
    public static String write(Object value) {
        try {
            return JSON.writeValueAsString(value);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("This value has no JSON form.", e);
        }
    }

    /** Reads what {@link #write} wrote. */
    public static <T> T read(String json, Class<T> type) {
        try {
            return JSON.readValue(json, type);
        } catch (JsonProcessingException e) {
            throw new IllegalArgumentException("This is no " + type.getSimpleName() + " document.", e);
        }
    }
}
