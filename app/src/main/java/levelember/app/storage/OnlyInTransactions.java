package levelember.app.storage;

import org.apache.ibatis.executor.Executor;
import org.apache.ibatis.mapping.MappedStatement;
import org.apache.ibatis.plugin.Interceptor;
import org.apache.ibatis.plugin.Intercepts;
import org.apache.ibatis.plugin.Invocation;
import org.apache.ibatis.plugin.Signature;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/**
 * Refuses a write outside of a transaction: only the end of one forces it to the device, so that it
 * could be answered and lost.
 */
@Component
@Intercepts(
    @Signature(
        type = Executor.class,
        method = "update",
        args = {MappedStatement.class, Object.class}))
class OnlyInTransactions implements Interceptor {
  @Override
  public Object intercept(Invocation invocation) throws Throwable {
    if (!TransactionSynchronizationManager.isActualTransactionActive()
        || TransactionSynchronizationManager.isCurrentTransactionReadOnly()) {
      MappedStatement statement = (MappedStatement) invocation.getArgs()[0];
      throw new IllegalStateException(statement.getId() + " writes outside of a transaction");
    }
    return invocation.proceed();
  }
}
