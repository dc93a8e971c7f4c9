<?php

declare(strict_types=1);

namespace MintDoor\Hall;

use Doctrine\DBAL\Connection;
use MintDoor\PostRoom\PostRoom;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('house:tidy', 'Throws away what is of no use any more: old sessions, counted tries, remembered answers, links that are over')]
final class TidyCommand extends Command
{
    /** Answers to requests with an idempotency key are remembered for so long, in seconds. */
    private const ANSWERS_KEPT = 2 * 86_400;

    public function __construct(
        private readonly Connection $db,
        private readonly HouseClock $clock,
        private readonly SessionStore $sessions,
        private readonly PostRoom $room,
    ) {
        parent::__construct();
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $now = $this->clock->instant();
        $this->sessions->gc(SessionStore::LASTS);
        $this->db->executeStatement('DELETE FROM throttle WHERE window_ends < UTC_TIMESTAMP()');
        $this->db->executeStatement('DELETE FROM idempotency WHERE made_at < ?', [Instant::toSql($now - self::ANSWERS_KEPT)]);
        $this->db->executeStatement('DELETE FROM first_password WHERE expires_at < ?', [Instant::toSql($now)]);

        if (false !== $this->db->fetchOne('SELECT 1 FROM message WHERE due_at < UTC_TIMESTAMP() - INTERVAL 1 MINUTE LIMIT 1')) {
            $this->room->wake(0);
        }

        return Command::SUCCESS;
    }
}
