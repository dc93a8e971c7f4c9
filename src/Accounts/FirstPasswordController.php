<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

use Doctrine\ORM\EntityManagerInterface;
use MintDoor\Accounts\Repository\FirstPasswords;
use MintDoor\Messages\AccountNews;
use MintDoor\Messages\Notices;
use MintDoor\People\Repository\AccountRecords;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use MintDoor\Shared\SecurityLog;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\PasswordHasher\Hasher\PasswordHasherFactoryInterface;
use Symfony\Component\Routing\Attribute\Route;

/** Setting a password with a link that is good once. */
final readonly class FirstPasswordController
{
    public function __construct(
        private FirstPasswords $links,
        private AccountRecords $records,
        private EntityManagerInterface $entities,
        private PasswordHasherFactoryInterface $hashers,
        private PlatformClock $clock,
        private Accounts $accounts,
        private Notices $notices,
        private SecurityLog $log,
    ) {}

    #[Route('/first-password', name: 'first_password', methods: ['POST'])]
    public function set(#[MapRequestPayload] FirstPasswordRequest $request): Response
    {
        $now = $this->clock->instant();

        return $this->entities->wrapInTransaction(function () use ($request, $now): Answer {
            $whose = $this->links->withToken($request->token, $now)?->person->id;
            $account = null === $whose ? null : $this->records->locked($whose);
            if (null === $whose || null === $account || $account->closedFrom <= $now) {
                throw new Problem(ProblemType::LinkIsOver, 'accounts.link-used-already-time');
            }
            $row = $this->accounts->row($whose);
            $first = null === $account->passwordHash;
            Passwords::assertGood($request->password, Passwords::own($row));
            $account->setPassword($this->hashers->getPasswordHasher(Caller::class)->hash($request->password));
            // Other links, and sessions that were begun with the password of before, are over.
            $this->links->dropAllOf($whose);
            $this->accounts->endSessions($whose);
            $this->log->note('password-set', $whose);
            // Whoever never had one is not warned of it.
            if (!$first) {
                $this->notices->tell([new AccountNews($row, 'password-set')], Caller::nobody());
            }

            return new Answer(['login' => $account->login]);
        });
    }
}
