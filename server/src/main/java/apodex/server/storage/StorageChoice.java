package apodex.server.storage;

import apodex.server.CannotStart;
import java.net.URI;
import java.net.URISyntaxException;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.util.unit.DataSize;
import software.amazon.awssdk.auth.credentials.AwsBasicCredentials;
import software.amazon.awssdk.auth.credentials.AwsCredentialsProvider;
import software.amazon.awssdk.auth.credentials.DefaultCredentialsProvider;
import software.amazon.awssdk.auth.credentials.StaticCredentialsProvider;
import software.amazon.awssdk.http.nio.netty.NettyNioAsyncHttpClient;
import software.amazon.awssdk.regions.Region;
import software.amazon.awssdk.services.s3.S3AsyncClient;
import software.amazon.awssdk.services.s3.S3AsyncClientBuilder;

/** The storage that the settings name: the data folder, or a bucket by {@code s3://bucket/prefix}. */
@Configuration
class StorageChoice {
    private static final long PART_BYTES = 32L << 20;
    private static final Duration ANSWERS_WITHIN = Duration.ofSeconds(60);
    private static final Duration CONNECTS_WITHIN = Duration.ofSeconds(5);
    private static final int CONNECTIONS = 64;

    @Bean
    Storage storage(
            @Value("${apodex.data.absolute}") Path data,
            @Value("${apodex.storage.address}") String address,
            @Value("${apodex.storage.endpoint}") String endpoint,
            @Value("${apodex.storage.region}") String region,
            @Value("${apodex.storage.key}") String key,
            @Value("${apodex.storage.secret}") String secret,
            @Value("${apodex.storage.cache}") DataSize cache,
            Writing writing) {
        if (address.isBlank()) {
            return new FolderStorage(data, data.resolve("removed"));
        }
        URI bucket = understood("APODEX_STORAGE", address, List.of("s3"), "s3://bucket/prefix");
        Optional<URI> server = Optional.of(endpoint)
                .filter(Predicate.not(String::isBlank))
                .map(some ->
                        understood("APODEX_S3_ENDPOINT", some, List.of("http", "https"), "https://store.example:9000"));
        AwsCredentialsProvider credentials = key.isBlank()
                ? DefaultCredentialsProvider.builder().build()
                : StaticCredentialsProvider.create(AwsBasicCredentials.create(key, secret));
        S3AsyncClient gets = client(server, region, credentials).build();
        S3AsyncClient puts = client(server, region, credentials)
                .multipartEnabled(true)
                .multipartConfiguration(parts ->
                        parts.thresholdInBytes(S3Objects.IN_PARTS_FROM_BYTES).minimumPartSizeInBytes(PART_BYTES))
                .build();
        String path = bucket.getPath() == null ? "" : bucket.getPath().replaceFirst("^/", "");
        String prefix = path.isEmpty() || path.endsWith("/") ? path : path + "/";
        return new S3Storage(
                new S3Objects(puts, gets, bucket.getHost()),
                prefix,
                address,
                data.resolve("local"),
                cache.toBytes(),
                writing);
    }

    /** @throws CannotStart when it is not of this kind: it would be waited for like one that is away */
    private static URI understood(String setting, String value, List<String> schemes, String like) {
        try {
            URI address = new URI(value.strip());
            if (address.getHost() != null && schemes.contains(address.getScheme())) {
                return address;
            }
        } catch (URISyntaxException e) {
            // told below
        }
        throw new CannotStart(setting + " is “" + value + "”, and has to be like " + like + ".", null);
    }

    private static S3AsyncClientBuilder client(
            Optional<URI> server, String region, AwsCredentialsProvider credentials) {
        S3AsyncClientBuilder builder = S3AsyncClient.builder()
                .region(Region.of(region))
                .credentialsProvider(credentials)
                .httpClientBuilder(NettyNioAsyncHttpClient.builder()
                        .maxConcurrency(CONNECTIONS)
                        .readTimeout(ANSWERS_WITHIN)
                        .writeTimeout(ANSWERS_WITHIN)
                        .connectionTimeout(CONNECTS_WITHIN));
        server.ifPresent(some -> builder.endpointOverride(some).forcePathStyle(true));
        return builder;
    }
}
