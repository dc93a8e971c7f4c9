<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use Doctrine\DBAL\Connection;
use MintDoor\Messages\Messages;
use MintDoor\Roles\Roles;
use MintDoor\Shared\Instant;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\SessionStore;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand(
    'platform:tidy',
    'Throws away what is of no use any more: old sessions, counted tries, remembered answers, links that are over',
)]
final class TidyCommand extends Command
{
    public function __construct(
        private readonly Connection $db,
        private readonly PlatformClock $clock,
        private readonly SessionStore $sessions,
        private readonly Messages $room,
        private readonly Roles $roles,
    ) {
        parent::__construct();
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $now = $this->clock->instant();
        $this->sessions->gc(SessionStore::LASTS);
        $this->db->executeStatement('DELETE FROM throttle WHERE window_ends < UTC_TIMESTAMP()');
        $this->db->executeStatement('DELETE FROM idempotency WHERE made_at < ?', [
            Instant::toSql($now - 3_600 * $this->roles->limits()->keepAnswers),
        ]);
        $this->db->executeStatement('DELETE FROM first_password WHERE expires_at < ?', [Instant::toSql($now)]);
        $this->forget($now);

        if (
            false
            !== $this->db->fetchOne('SELECT 1 FROM message WHERE due_at < UTC_TIMESTAMP() - INTERVAL 1 MINUTE LIMIT 1')
        ) {
            $this->room->wake(0);
        }

        return Command::SUCCESS;
    }

    /** What is kept for a time only, as the rules have it: what messages said and to where, and network addresses. */
    private function forget(int $now): void
    {
        $limits = $this->roles->limits();
        $messages = Instant::toSql($now - 86_400 * $limits->keepMessages);
        $this->db->executeStatement(
            "UPDATE message SET address = '', subject = '', body = '', reason = NULL
             WHERE made_at < ? AND (body <> '' OR address <> '') AND due_at IS NULL",
            [$messages],
        );
        $this->db->executeStatement('DELETE FROM letter WHERE arrived_at < ?', [$messages]);
        $this->db->executeStatement(
            "UPDATE invitation SET words = '', address = ''
             WHERE made_at < ? AND unanswered IS NULL AND (words <> '' OR address <> '')",
            [$messages],
        );
        $addresses = Instant::toSql($now - 86_400 * $limits->keepAddresses);
        foreach (['history_entry', 'security_entry'] as $table) {
            $this->db->executeStatement("UPDATE $table SET address = NULL WHERE at < ? AND address IS NOT NULL", [
                $addresses,
            ]);
        }
        $this->db->executeStatement('DELETE FROM notice WHERE seen_at < ?', [$addresses]);
    }
}
