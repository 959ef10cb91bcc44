package apodex.server.web;

import com.fasterxml.jackson.annotation.JsonSetter;
import com.fasterxml.jackson.annotation.Nulls;
import com.fasterxml.jackson.core.StreamReadConstraints;
import org.springframework.boot.autoconfigure.jackson.Jackson2ObjectMapperBuilderCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Requests whose lists or maps have empty places are refused at the door, with the field they are in; and such as never end. */
@Configuration
class StrictJson {
    /** Ten times the edits of a thousand rows at once; what is longer would be read into memory whole. */
    private static final long LONGEST_BYTES = 64L << 20;

    @Bean
    Jackson2ObjectMapperBuilderCustomizer noEmptyPlaces() {
        return builder -> builder.postConfigurer(mapper -> {
            mapper.setDefaultSetterInfo(JsonSetter.Value.forContentNulls(Nulls.FAIL));
            mapper.getFactory()
                    .setStreamReadConstraints(StreamReadConstraints.builder()
                            .maxDocumentLength(LONGEST_BYTES)
                            .build());
        });
    }
}
