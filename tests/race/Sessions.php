<?php

declare(strict_types=1);

namespace MintDoor\Tests\Race;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\ParameterType;
use MintDoor\Core\Time\Time;
use MintDoor\Shared\Caller;
use MintDoor\Shared\Id;
use Symfony\Component\Security\Http\Authenticator\Token\PostAuthenticationToken;

/**
 * Sessions of people who signed in, written as the application writes them: a thousand sign-ins would measure the
 * hashing of passwords.
 */
final class Sessions
{
    private function __construct() {}

    /**
     * @param array<string, ?string> $people hash of the password by id
     *
     * @return list<string> values of the session cookie, in the same order
     */
    public static function of(Connection $db, array $people): array
    {
        $cookies = [];
        $now = time();
        foreach ($people as $id => $hash) {
            \assert('' !== $id);
            $token = new PostAuthenticationToken(
                new Caller($id, '', '', 'learner', '', null, Time::FOREVER, false, [], $hash),
                'api',
                ['ROLE_PERSON'],
            );
            $cookie = bin2hex(random_bytes(16));
            $data =
                '_sf2_attributes|'
                .serialize(['_security_api' => serialize($token)])
                .'_sf2_meta|'
                .serialize(['u' => $now, 'c' => $now, 'l' => 0]);
            $db->executeStatement(
                'INSERT INTO session (id, person_id, data, touched_at, made_at, ends_at)
                 VALUES (?, ?, ?, UTC_TIMESTAMP(), UTC_TIMESTAMP(), UTC_TIMESTAMP() + INTERVAL 1 DAY)',
                [hash('sha256', $cookie, true), Id::binary($id), $data],
                [ParameterType::BINARY, ParameterType::BINARY, ParameterType::LARGE_OBJECT],
            );
            $cookies[] = $cookie;
        }

        return $cookies;
    }
}
