<?php

declare(strict_types=1);

namespace MintDoor\Desk;

use MintDoor\Messages\Messages;
use MintDoor\Messages\Repository\StoredMessages;
use MintDoor\Roles\Roles;
use MintDoor\Shared\Forgets;
use MintDoor\Shared\Keeping;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\SessionStore;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\DependencyInjection\Attribute\AutowireIterator;

#[AsCommand(
    'platform:tidy',
    'Throws away what is of no use any more: old sessions, counted tries, remembered answers, links that are over',
)]
final class TidyCommand extends Command
{
    /** @param iterable<Forgets> $keepers */
    public function __construct(
        #[AutowireIterator(Forgets::class)] private readonly iterable $keepers,
        private readonly PlatformClock $clock,
        private readonly StoredMessages $messages,
        private readonly Messages $room,
        private readonly Roles $roles,
    ) {
        parent::__construct();
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $now = $this->clock->instant();
        $limits = $this->roles->limits();
        $keeping = new Keeping(
            $now,
            $now - 3_600 * $limits->keepAnswers,
            $now - 86_400 * $limits->keepMessages,
            $now - 86_400 * $limits->keepAddresses,
            SessionStore::LASTS,
        );
        foreach ($this->keepers as $keeper) {
            $keeper->forget($keeping);
        }
        if ($this->messages->late()) {
            $this->room->wake(0);
        }

        return Command::SUCCESS;
    }
}
