<?php

declare(strict_types=1);

namespace LucidAscent\App\Database;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Exception;
use Doctrine\DBAL\TransactionIsolationLevel;
use Symfony\Component\DependencyInjection\Attribute\Autoconfigure;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Event\ExceptionEvent;
use Symfony\Component\HttpKernel\Event\RequestEvent;

/**
 * What a request writes is one transaction: records, its entry in the trail, and the session. A machine that dies at it
 * has written nothing, and others that were at the same begin anew. A fault of ours takes nothing back that was written
 * before it: what hurts is heard, whatever fails after that. Each question within it hears what others have written up
 * to then, so that whoever has waited for a turn sees what was done in it.
 */
#[Autoconfigure(public: true)]
final class WholeRequest
{
    private bool $isOpen = false;

    public function __construct(private readonly Connection $connection)
    {
    }

    /** Before anything is written, and after a form that was carried through a sign-in is one that is sent. */
    #[AsEventListener(priority: 99)]
    public function asked(RequestEvent $event): void
    {
        if ($event->isMainRequest() && !$event->getRequest()->isMethodSafe()) {
            $this->begin();
        }
    }

    /** From here to the answer. */
    public function begin(): void
    {
        if ($this->isOpen) {
            return;
        }
        $this->connection->setTransactionIsolation(TransactionIsolationLevel::READ_COMMITTED);
        $this->connection->beginTransaction();
        $this->isOpen = true;
        $whole = \WeakReference::create($this);
        // Memory that runs out is a fault of ours as well.
        register_shutdown_function(static fn () => $whole->get()?->end());
    }

    /** What may be answered from the beginning is nobody's fault, and no page says so. */
    #[AsEventListener(priority: 8192)]
    public function clashed(ExceptionEvent $event): void
    {
        if (null !== Clash::in($event->getThrowable())) {
            $event->stopPropagation();
        }
    }

    /** Once there is an answer, whatever it is. What had been begun to be written together, and was not, is not. */
    public function end(): void
    {
        if (!$this->isOpen) {
            return;
        }
        $this->isOpen = false;
        while ($this->connection->getTransactionNestingLevel() > 1) {
            $this->connection->rollBack();
        }
        $this->connection->commit();
    }

    /** Nothing of it is written. */
    public function giveUp(): void
    {
        if (!$this->isOpen) {
            return;
        }
        $this->isOpen = false;
        try {
            $this->connection->rollBack();
        } catch (Exception) {
            // It went with its node, or was ended for another's sake.
        }
    }
}
