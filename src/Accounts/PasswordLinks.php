<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

use MintDoor\History\Happening;
use MintDoor\History\History;
use MintDoor\Messages\AccountNews;
use MintDoor\Messages\Notices;
use MintDoor\People\Repository\People;
use MintDoor\Roster\Caring;
use MintDoor\Shared\Caller;
use MintDoor\Shared\CallerProvider;
use MintDoor\Shared\Ids;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use MintDoor\Shared\Row;
use MintDoor\Shared\Throttle;
use Symfony\Component\Messenger\Attribute\AsMessageHandler;
use Symfony\Component\Security\Core\Exception\UserNotFoundException;

/** Links with which somebody sets a password: asked for by themselves, or sent by staff of their reach. */
final readonly class PasswordLinks
{
    /** Links that staff send one person within so many seconds. */
    private const MOST = 5;

    private const WINDOW = 900;

    public function __construct(
        private People $people,
        private CallerProvider $callers,
        private Caring $caring,
        private Notices $notices,
        private AccountNotifier $notifier,
        private History $history,
        private Ids $ids,
        private Throttle $throttle,
    ) {}

    /** Nothing happens where nobody, or nobody's alone, is called so, the account is closed, or there is no address. */
    #[AsMessageHandler]
    public function forgotten(ForgottenPassword $job): void
    {
        try {
            $person = $this->row($this->callers->loadUserByIdentifier($job->login)->getUserIdentifier());
        } catch (UserNotFoundException) {
            return;
        }
        if (null !== $person->stringOrNull('email')) {
            $this->notifier->password($person, 'forgotten:'.$job->asked, null);
        }
    }

    /** Runs inside a transaction. */
    public function send(string $person, Caller $caller): void
    {
        $this->caring->assertMay($person, $caller);
        $row = $this->row($person);
        if (null === $row->stringOrNull('login')) {
            throw Problem::notAllowed('accounts.person-no-account-yet');
        }
        if (null === $row->stringOrNull('email')) {
            throw Problem::notAllowed('accounts.person-no-e-mail');
        }
        if (!$this->throttle->hit('link to '.$person, self::MOST, self::WINDOW)->isAccepted()) {
            throw new Problem(
                ProblemType::TooManyTries,
                'accounts.several-links-went-person',
                retryAfter: self::WINDOW,
            );
        }
        $this->notifier->password($row, 'link:'.$this->ids->next(), $caller->id);
        $this->history->write(History::PLATFORM, $caller, new Happening('password-link', person: $person));
        $this->notices->tell([new AccountNews($row, 'password-link')], $caller);
    }

    private function row(string $person): Row
    {
        return $this->people->byId([$person])[$person] ?? throw Problem::notFound('person');
    }
}
