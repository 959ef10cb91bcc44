package apodex.server;

import apodex.handoff.Brief;
import apodex.handoff.Handoff;
import apodex.handoff.Plan;
import apodex.intake.ClipListForm;
import apodex.intake.Intake;
import apodex.proof.Proof;
import apodex.server.intakes.PutRight;
import apodex.server.levels.FileLevel;
import apodex.server.runs.RunProgress;
import apodex.server.runs.SinceLastRun;
import apodex.server.sessions.WrittenSessions;
import apodex.session.Session;
import apodex.session.SessionDocument;
import apodex.session.SessionEdit;
import java.sql.CallableStatement;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.List;
import org.apache.ibatis.type.BaseTypeHandler;
import org.apache.ibatis.type.JdbcType;
import org.apache.ibatis.type.TypeHandlerRegistry;
import org.mybatis.spring.boot.autoconfigure.ConfigurationCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Keeps values that are only ever read whole as JSON in text columns. */
@Configuration
class JsonColumns {
    private static final List<Class<?>> KEPT_AS_JSON = List.of(
            Session.class,
            SessionEdit.class,
            Handoff.class,
            Brief.class,
            Plan.class,
            Proof.class,
            RunProgress.class,
            SinceLastRun.class,
            FileLevel.class,
            Intake.class,
            PutRight.class,
            ClipListForm.class);

    @Bean
    ConfigurationCustomizer jsonTypeHandlers() {
        return configuration -> KEPT_AS_JSON.forEach(type -> register(configuration.getTypeHandlerRegistry(), type));
    }

    private static <T> void register(TypeHandlerRegistry registry, Class<T> type) {
        registry.register(type, new Handler<>(type));
        for (Class<?> subtype : type.isSealed() ? type.getPermittedSubclasses() : new Class<?>[0]) {
            register(registry, subtype);
        }
    }

    private static final class Handler<T> extends BaseTypeHandler<T> {
        private final Class<T> type;

        Handler(Class<T> type) {
            this.type = type;
        }

        @Override
        public void setNonNullParameter(PreparedStatement statement, int index, T value, JdbcType jdbcType)
                throws SQLException {
            statement.setString(
                    index,
                    value instanceof Session session ? WrittenSessions.of(session) : SessionDocument.write(value));
        }

        @Override
        public T getNullableResult(ResultSet result, String column) throws SQLException {
            return read(result.getString(column));
        }

        @Override
        public T getNullableResult(ResultSet result, int column) throws SQLException {
            return read(result.getString(column));
        }

        @Override
        public T getNullableResult(CallableStatement statement, int column) throws SQLException {
            return read(statement.getString(column));
        }

        private T read(String json) {
            return json == null ? null : SessionDocument.read(json, type);
        }
    }
}
