<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

use Doctrine\DBAL\Connection;
use MintDoor\Messages\Notices;
use MintDoor\Shared\Answer;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Id;
use MintDoor\Shared\Instant;
use MintDoor\Shared\PlatformClock;
use MintDoor\Shared\Problem;
use MintDoor\Shared\ProblemType;
use MintDoor\Shared\Row;
use MintDoor\Shared\SecurityLog;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapRequestPayload;
use Symfony\Component\PasswordHasher\Hasher\PasswordHasherFactoryInterface;
use Symfony\Component\Routing\Attribute\Route;

/** Setting a password with a link that is good once. */
final readonly class FirstPasswordController
{
    public function __construct(
        private Connection $db,
        private PasswordHasherFactoryInterface $hashers,
        private PlatformClock $clock,
        private Accounts $accounts,
        private Notices $notices,
        private SecurityLog $log,
    ) {}

    #[Route('/first-password', name: 'first_password', methods: ['POST'])]
    public function set(#[MapRequestPayload] FirstPasswordRequest $request): Response
    {
        $hash = hash('sha256', $request->token, true);
        $now = Instant::toSql($this->clock->instant());

        return $this->db->transactional(function () use ($request, $hash, $now): Answer {
            $row = $this->db->fetchAssociative(
                <<<'SQL'
                    SELECT f.person_id, a.login
                    FROM first_password f
                    JOIN account a ON a.person_id = f.person_id
                    WHERE f.token_hash = ? AND f.expires_at > ? AND a.closed_from > ?
                    FOR UPDATE
                    SQL,
                [$hash, $now, $now],
            );
            if (false === $row) {
                throw new Problem(
                    ProblemType::LinkIsOver,
                    'This link was used already, or its time is over. Ask for a new one.',
                );
            }
            $row = new Row($row);
            $whose = $this->accounts->row($row->id('person_id'));
            Passwords::assertGood($request->password, Passwords::own($whose));
            $this->db->executeStatement(
                'UPDATE account SET password_hash = ?, must_change = 0, card_until = NULL WHERE person_id = ?',
                [
                    $this->hashers->getPasswordHasher(Caller::class)->hash($request->password),
                    Id::binary($row->id('person_id')),
                ],
            );
            // Other links, and sessions that were begun with the password of before, are over.
            foreach (['first_password', 'session'] as $table) {
                $this->db->executeStatement("DELETE FROM $table WHERE person_id = ?", [
                    Id::binary($row->id('person_id')),
                ]);
            }

            $this->log->note('password-set', $row->id('person_id'));
            $this->notices->tell([[$whose, 'password-set']], Caller::nobody());

            return new Answer(['login' => $row->string('login')]);
        });
    }
}
