package hausbau.server.store;

import com.zaxxer.hikari.HikariDataSource;
import javax.sql.DataSource;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.jdbc.autoconfigure.DataSourceProperties;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.annotation.Primary;
import org.springframework.jdbc.datasource.LazyConnectionDataSourceProxy;

/**
 * Connections to the database: some for transactions that write, others for those that only read. The latter read one state
 * (repeatable read) because they are set up so once, which spares each transaction the trips to set and reset it; and readers
 * never wait for writers that wait for one another. A transaction takes its connection with its first statement.
 */
@Configuration(proxyBeanMethods = false)
class Databases {

    @Bean
    HikariDataSource writing(DataSourceProperties properties, @Value("${hausbau.connections.writing}") int most) {
        var pool = pool(properties, "writing", most);
        pool.setTransactionIsolation("TRANSACTION_READ_COMMITTED");
        return pool;
    }

    @Bean
    HikariDataSource reading(DataSourceProperties properties, @Value("${hausbau.connections.reading}") int most) {
        var pool = pool(properties, "reading", most);
        pool.setTransactionIsolation("TRANSACTION_REPEATABLE_READ");
        pool.setReadOnly(true);
        return pool;
    }

    private static HikariDataSource pool(DataSourceProperties properties, String name, int most) {
        var pool = properties
                .initializeDataSourceBuilder()
                .type(HikariDataSource.class)
                .build();
        pool.setPoolName(name);
        pool.setMaximumPoolSize(most);
        pool.setConnectionTimeout(5_000);
        return pool;
    }

    @Bean
    @Primary
    DataSource database(HikariDataSource writing, HikariDataSource reading) {
        var either = new LazyConnectionDataSourceProxy(writing);
        either.setReadOnlyDataSource(reading);
        either.setDefaultAutoCommit(true);
        return either;
    }
}
