package apodex.server.web;

import com.fasterxml.jackson.annotation.JsonSetter;
import com.fasterxml.jackson.annotation.Nulls;
import org.springframework.boot.autoconfigure.jackson.Jackson2ObjectMapperBuilderCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Requests whose lists or maps have empty places are refused at the door, with the field they are in. */
@Configuration
class StrictJson {
    @Bean
    Jackson2ObjectMapperBuilderCustomizer noEmptyPlaces() {
        return builder -> builder.postConfigurer(
                mapper -> mapper.setDefaultSetterInfo(JsonSetter.Value.forContentNulls(Nulls.FAIL)));
    }
}
