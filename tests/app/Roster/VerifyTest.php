<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Roster;

use MintDoor\Changes\LineRequest;
use MintDoor\Demo\Dice;
use MintDoor\Roster\Repository\Counts;
use MintDoor\Shared\Id;
use MintDoor\Tests\App\ApiTestCase;

final class VerifyTest extends ApiTestCase
{
    public function testAfterAnyChangesTheStoredSegmentsAreWhatFollowsFromThePasses(): void
    {
        $dice = new Dice(7);
        $this->service(Counts::class)->of([$this->ids['site']], $this->now());
        for ($n = 0; $n < 70; ++$n) {
            $person = $dice->one(['newcomer', 'learner', 'colleague', 'assistant']);
            $role = \in_array($person, ['newcomer', 'learner'], true)
                ? $dice->one(['learner', 'day-guest'])
                : $dice->one(['co-tutor', 'class-assistant']);
            $this->client->getCookieJar()->clear();
            $this->client->loginUser(
                $this->service(\MintDoor\Shared\CallerProvider::class)->loadUserByIdentifier('lead'),
                'api',
            );
            $this->client->request(
                'POST',
                '/api/v1/sites/'.$this->ids['site'].'/change-lists',
                [],
                [],
                ['HTTP_X_MINT_DOOR' => '1', 'CONTENT_TYPE' => 'application/json'],
                json_encode(
                    [
                        'lines' => [
                            ['person' => $this->ids[$person], 'verb' => $dice->one(
                                LineRequest::verbs()
                            ), 'role' => $role],
                        ],
                    ],
                    \JSON_THROW_ON_ERROR,
                ),
            );
            $entry =
                json_decode((string) $this->client->getResponse()->getContent(), true)['lines'][0]['entry'] ?? null;
            if (null !== $entry && $dice->chance(40)) {
                $this->call('lead', 'POST', '/sites/'.$this->ids['site'].'/history/'.$entry.'/undo');
            }
        }
        [$code, $said] = $this->command('roster:verify');
        self::assertSame(0, $code, $said);
        $carried = $this->service(Counts::class)->of([$this->ids['site']], $this->now());
        self::assertSame(
            1,
            (int) $this->db()->executeStatement('DELETE FROM site_count WHERE site_id = ?', [
                Id::binary($this->ids['site']),
            ]),
            'the count was carried along',
        );
        self::assertEquals($this->service(Counts::class)->of([$this->ids['site']], $this->now()), $carried);
        self::assertMatchesRegularExpression('/^[5-9] enrollments compared, 0 differ/', $said);
    }

    public function testWhatDiffersIsFound(): void
    {
        $this->db()->executeStatement("UPDATE enrollment_segment SET state = 'paused' WHERE state = 'current' LIMIT 1");
        [$code, $said] = $this->command('roster:verify');
        self::assertSame(1, $code);
        self::assertStringContainsString('1 differ', $said);
    }

    public function testWhatIsWrongIsFoundAndFixed(): void
    {
        $this->db()->executeStatement(
            "UPDATE enrollment_segment SET state = 'paused' WHERE site_id = ? AND person_id = ?",
            [Id::binary($this->ids['site']), Id::binary($this->ids['learner'])],
        );
        [$failed, $said] = $this->command('roster:verify');
        self::assertSame(1, $failed);
        self::assertStringContainsString($this->ids['learner'], $said);
        self::assertSame(0, $this->command('roster:verify', ['--fix' => true])[0]);
        self::assertSame(0, $this->command('roster:verify')[0]);
        self::assertSame('learner current', $this->roster()['learner']);
    }
}
