package apodex.server;

import apodex.server.database.PrivateDatabase;
import org.mybatis.spring.annotation.MapperScan;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.scheduling.annotation.EnableScheduling;

/** Starts the server. */
@SpringBootApplication
@EnableScheduling
@MapperScan(basePackages = "apodex.server", annotationClass = org.apache.ibatis.annotations.Mapper.class)
public class Apodex {
    public static void main(String[] arguments) {
        application().run(arguments);
    }

    /** The application as it runs everywhere, tests included. */
    public static SpringApplication application() {
        SpringApplication application = new SpringApplication(Apodex.class);
        application.addListeners(new Announcement());
        application.addInitializers(new DataFolder.Initializer(), new PrivateDatabase());
        return application;
    }
}
