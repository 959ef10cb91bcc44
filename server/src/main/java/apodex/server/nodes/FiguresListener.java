package apodex.server.nodes;

import java.util.Map;
import org.springframework.context.ApplicationContextInitializer;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.core.env.ConfigurableEnvironment;
import org.springframework.core.env.MapPropertySource;

/** Tells a node's figures (Prometheus' text form) and how it is on a listener of its own, where one is asked for; nowhere else. */
public final class FiguresListener implements ApplicationContextInitializer<ConfigurableApplicationContext> {
    @Override
    public void initialize(ConfigurableApplicationContext context) {
        ConfigurableEnvironment environment = context.getEnvironment();
        String port = environment.getProperty("apodex.metrics.port", "");
        if (port.isBlank()) {
            return;
        }
        environment
                .getPropertySources()
                .addFirst(new MapPropertySource(
                        "figures",
                        Map.of(
                                "management.server.port",
                                port,
                                "management.server.address",
                                environment.getProperty("apodex.metrics.address", "127.0.0.1"),
                                "management.endpoints.web.exposure.include",
                                "health,prometheus",
                                "management.endpoint.health.probes.add-additional-paths",
                                true)));
    }
}
