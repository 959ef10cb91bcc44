package apodex.server;

import apodex.server.accounts.AccountCommand;
import apodex.server.backup.BackupCommand;
import apodex.server.backup.RestoreCommand;
import apodex.server.database.PrivateDatabase;
import apodex.server.nodes.FiguresListener;
import java.util.List;
import java.util.function.Function;
import org.mybatis.spring.annotation.MapperScan;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.WebApplicationType;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.context.ApplicationContext;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.scheduling.annotation.EnableScheduling;

/** Starts the server. */
@SpringBootApplication
@EnableScheduling
@MapperScan(basePackages = "apodex.server", annotationClass = org.apache.ibatis.annotations.Mapper.class)
public class Apodex {
    public static void main(String[] arguments) {
        String first = arguments.length == 0 ? "" : arguments[0];
        List<String> words = List.of(arguments).subList(Math.min(1, arguments.length), arguments.length);
        switch (first) {
            case "account" -> say(AccountCommand.class, context -> AccountCommand.run(context, words));
            case "backup" -> say(BackupCommand.class, context -> BackupCommand.run(context, words.get(0)));
            case "restore" -> say(RestoreCommand.class, context -> RestoreCommand.run(context, words.get(0)));
            default -> application().run(arguments);
        }
    }

    private static void say(Class<?> parts, Function<ApplicationContext, String> work) {
        try {
            System.out.println(command(parts, work));
        } catch (CannotStart e) {
            System.err.println(e.getMessage());
            System.exit(1);
        }
    }

    /**
     * Does one thing, beside a server that may be at work on the same data folder.
     *
     * @param settings as a server takes them, such as {@code --apodex.data=...}
     * @return what to say
     * @throws CannotStart with a sentence where it cannot be done
     */
    public static String command(Class<?> parts, Function<ApplicationContext, String> work, String... settings) {
        SpringApplication application = new SpringApplication(parts);
        application.setWebApplicationType(WebApplicationType.NONE);
        application.setLogStartupInfo(false);
        application.addInitializers(new DataFolder.BesideAServer(), new PrivateDatabase());
        try (ConfigurableApplicationContext context = application.run(settings)) {
            return work.apply(context);
        }
    }

    /** The application as it runs everywhere, tests included. */
    public static SpringApplication application() {
        SpringApplication application = new SpringApplication(Apodex.class);
        application.addListeners(new Announcement());
        application.addInitializers(new DataFolder.Initializer(), new PrivateDatabase(), new FiguresListener());
        return application;
    }
}
