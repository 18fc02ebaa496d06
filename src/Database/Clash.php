<?php

declare(strict_types=1);

namespace LucidAscent\App\Database;

use Doctrine\DBAL\Exception\ConnectionLost;
use Doctrine\DBAL\Exception\DriverException;
use Doctrine\DBAL\Exception\RetryableException;

/**
 * What a database says when nothing is wrong with what was asked: others were at the same at that moment, or the node
 * that was asked is gone. Nothing of the request is written then, and it may be answered from its beginning.
 */
enum Clash
{
    /** Others wrote the same rows first, here or on another node. */
    case OthersWrote;
    /** There is nobody who answers, or a node that has lost the others. */
    case NodeGone;

    /** A savepoint that went with its transaction, which another node's has ended. */
    private const NO_SAVEPOINT = 1305;
    /** Too many connections, a server that ends, one that is lost, one that has not joined the others yet. */
    private const GONE = [1040, 1047, 1053, 1927, 2002, 2003, 2006, 2013];

    public static function in(\Throwable $e): ?self
    {
        for ($one = $e; null !== $one; $one = $one->getPrevious()) {
            $clash = match (true) {
                $one instanceof ConnectionLost => self::NodeGone,
                $one instanceof RetryableException, $one instanceof SessionWritten => self::OthersWrote,
                $one instanceof DriverException => self::ofCode($one->getCode()),
                $one instanceof \PDOException => self::ofCode((int) ($one->errorInfo[1] ?? 0)),
                default => null,
            };
            if (null !== $clash) {
                return $clash;
            }
        }

        return null;
    }

    private static function ofCode(int $code): ?self
    {
        return match (true) {
            self::NO_SAVEPOINT === $code, 1213 === $code => self::OthersWrote,
            in_array($code, self::GONE, true) => self::NodeGone,
            default => null,
        };
    }
}
