package levelember.app.storage;

import javax.sql.DataSource;
import org.springframework.boot.flyway.autoconfigure.FlywayMigrationStrategy;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.scheduling.annotation.EnableScheduling;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;

@Configuration
@EnableScheduling
class StorageConfiguration {
  @Bean
  PlatformTransactionManager transactionManager(DataSource source, DiskSpace space) {
    return new DurableTransactionManager(source, space);
  }

  /** The database is compacted before the first connection of the pool is opened. */
  @Bean
  FlywayMigrationStrategy migration(Compaction compaction) {
    return flyway -> {
      compaction.atTheStart();
      flyway.migrate();
    };
  }

  @Bean
  TransactionTemplate transactionTemplate(PlatformTransactionManager manager) {
    return new TransactionTemplate(manager);
  }
}
