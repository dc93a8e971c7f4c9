<?php

declare(strict_types=1);

namespace MintDoor\Demo;

use Doctrine\DBAL\Connection;
use MintDoor\Accounts\Accounts;
use MintDoor\Messages\AccountNews;
use MintDoor\Messages\Notices;
use MintDoor\Shared\CallerProvider;
use MintDoor\Shared\SecurityLog;

/** What was done to accounts of the demo lately: a junior got a card, and somebody mistyped their password. */
final readonly class DemoAccounts
{
    public function __construct(
        private Connection $db,
        private CallerProvider $callers,
        private Accounts $accounts,
        private Notices $notices,
        private SecurityLog $log,
    ) {}

    public function furnish(): void
    {
        $id = fn(string $login): string => $this->callers->loadUserByIdentifier($login)->id;
        [$tutor, $junior, $senior] = [$id('mara.lindqvist'), $id('pip.halvorsen'), $id('elias.nordahl')];
        $this->notices->tell([new AccountNews($this->accounts->row($junior), 'card')], $this->callers->byId($tutor));
        $this->log->note('password-reset', $junior, $tutor);
        $this->log->note('sign-in-failed', $senior);
        $this->log->note('sign-in-failed', $senior);
        $this->db->transactional($this->log->write(...));
    }
}
