<?php

declare(strict_types=1);

namespace MintDoor\Hall;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\ParameterType;
use Symfony\Component\HttpFoundation\Session\Storage\Handler\AbstractSessionHandler;
use Symfony\Component\Security\Core\Authentication\Token\Storage\TokenStorageInterface;

/**
 * Sessions in the database, without locks, so that parallel calls of one person do not queue. The id is kept hashed, the
 * person beside it, so that somebody's sessions can be ended; that a session is in use is written once a minute at most.
 */
final class SessionStore extends AbstractSessionHandler
{
    /** Seconds without a request after which a session is over. */
    public const LASTS = 43_200;

    private const TOUCH_EVERY = 60;

    private ?int $touchedAt = null;

    public function __construct(
        private readonly Connection $db,
        private readonly TokenStorageInterface $tokens,
    ) {
    }

    public function close(): bool
    {
        return true;
    }

    public function gc(int $max_lifetime): int
    {
        return (int) $this->db->executeStatement('DELETE FROM session WHERE touched_at < UTC_TIMESTAMP() - INTERVAL ? SECOND', [$max_lifetime]);
    }

    public function updateTimestamp(string $sessionId, string $data): bool
    {
        if (null === $this->touchedAt || time() - $this->touchedAt > self::TOUCH_EVERY) {
            $this->db->executeStatement('UPDATE session SET touched_at = UTC_TIMESTAMP() WHERE id = ?', [$this->hash($sessionId)]);
        }

        return true;
    }

    protected function doRead(string $sessionId): string
    {
        $row = $this->db->fetchAssociative(
            'SELECT data, touched_at FROM session WHERE id = ? AND touched_at > UTC_TIMESTAMP() - INTERVAL ? SECOND',
            [$this->hash($sessionId), self::LASTS],
        );
        if (false === $row) {
            return '';
        }
        $row = new Row($row);
        $this->touchedAt = $row->instant('touched_at');

        return $row->string('data');
    }

    protected function doWrite(string $sessionId, string $data): bool
    {
        $caller = $this->tokens->getToken()?->getUser();
        $this->db->executeStatement(
            'INSERT INTO session (id, person_id, data, touched_at) VALUES (?, ?, ?, UTC_TIMESTAMP())
             ON DUPLICATE KEY UPDATE person_id = VALUES(person_id), data = VALUES(data), touched_at = VALUES(touched_at)',
            [$this->hash($sessionId), $caller instanceof Caller ? Id::binary($caller->id) : null, $data],
            [ParameterType::BINARY, ParameterType::BINARY, ParameterType::LARGE_OBJECT],
        );

        return true;
    }

    protected function doDestroy(string $sessionId): bool
    {
        $this->db->executeStatement('DELETE FROM session WHERE id = ?', [$this->hash($sessionId)]);

        return true;
    }

    private function hash(string $sessionId): string
    {
        return hash('sha256', $sessionId, true);
    }
}
