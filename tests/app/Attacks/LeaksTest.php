<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Attacks;

use MintDoor\Roles\Roles;
use MintDoor\Roles\RulesCodec;

/** What an answer gives away without being asked. */
final class LeaksTest extends AttackCase
{
    /** A person one has nothing to do with, and one that is nowhere: the same, whatever is asked. */
    public function testAPersonOneHasNothingToDoWithIsNobody(): void
    {
        foreach (
            [
                ['GET', ''],
                ['PUT', ''],
                ['PUT', '/account'],
                ['DELETE', '/sessions'],
                ['POST', '/password-link'],
                ['PUT', '/password-wanted'],
                ['DELETE', '/password-wanted'],
                ['POST', '/export'],
                ['POST', '/erasure'],
                ['POST', '/notes'],
            ] as [$method, $more]
        ) {
            $this->sameAsNone(
                'disloyal',
                $method,
                '/people/%s'.$more,
                $this->ids['junior'],
                $this->body($method, $more),
            );
            $this->sameAsNone(
                'learner',
                $method,
                '/people/%s'.$more,
                $this->ids['junior'],
                $this->body($method, $more),
            );
        }
    }

    public function testASiteOneHasNothingToDoWithIsNone(): void
    {
        foreach (
            [
                ['GET', ''],
                ['GET', '/roster'],
                ['POST', '/visits'],
                ['POST', '/leave'],
                ['GET', '/history'],
                ['GET', '/doors'],
                ['GET', '/waiting'],
                ['GET', '/labels'],
                ['GET', '/access-check/'.$this->ids['adult']],
                ['POST', '/approvals/'.$this->ids['adult']],
                ['GET', '/progress'],
            ] as [$method, $more]
        ) {
            $body = str_starts_with($more, '/approvals') ? ['answer' => 'yes'] : null;
            $this->sameAsNone('cotutor', $method, '/sites/%s'.$more, $this->ids['nerves'], $body);
            $this->sameAsNone('learner', $method, '/sites/%s'.$more, $this->ids['nerves'], $body);
        }
    }

    public function testAListOneHasNothingToDoWithIsNone(): void
    {
        $changeList = $this->call(
            'principal',
            'POST',
            '/change-lists',
            ['kind' => 'pasted', 'site' => $this->ids['nerves'], 'work' => ['text' => 'x']],
            201,
        )['id'];
        foreach (
            [
                ['GET', ''],
                ['PUT', ''],
                ['PUT', '/dropped'],
                ['DELETE', '/dropped'],
                ['POST', '/continue'],
                ['POST', '/undo'],
                ['POST', '/apply'],
            ] as [$method, $more]
        ) {
            $body =
                [
                    '' =>
                        'PUT' === $method
                            ? [
                                'kind' => 'pasted',
                                'work' => ['text' => 'y'],
                            ]
                            : null,
                    '/undo' => ['apply' => false],
                    '/apply' => [
                        'lines' => [
                            [
                                'site' => $this->ids['nerves'],
                                'line' => ['person' => $this->ids['adult'], 'verb' => 'let-in'],
                            ],
                        ],
                    ],
                ][$more] ?? null;
            $this->sameAsNone('cotutor', $method, '/change-lists/%s'.$more, $changeList, $body);
        }
    }

    public function testADoorOneHasNothingToDoWithIsNone(): void
    {
        $key = $this->call('principal', 'POST', '/sites/'.$this->ids['nerves'].'/doors', [], 201)['id'];
        $look = $this->call(
            'principal',
            'POST',
            '/sites/'.$this->ids['nerves'].'/doors',
            ['kind' => 'preview', 'divisions' => ['evening']],
            201,
        )['id'];
        $this->sameAsNone('learner', 'GET', '/previews/%s', $look);
        $this->sameAsNone('learner', 'GET', '/previews/%s', $key);
        $this->sameAsNone(null, 'GET', '/previews/%s', $look);
        foreach ([['GET', '/invitations'], ['POST', '/key'], ['DELETE', '/open']] as [$method, $more]) {
            $this->sameAsNone('cotutor', $method, '/sites/'.$this->ids['site'].'/doors/%s'.$more, $key);
        }
        $this->sameAsNone('cotutor', 'POST', '/key-renewals', $key, ['doors' => [$key]]);
    }

    public function testTextsOfOtherDivisionsAreNotPreviewed(): void
    {
        $this->call('admin', 'PUT', '/templates/welcome', [
            'subject' => 'To juniors',
            'body' => 'The word is plover. {name} {link}',
            'division' => 'juniors',
        ]);
        $look = ['kind' => 'welcome', 'division' => 'juniors'];
        $this->call('principal', 'POST', '/message-previews', $look, 404);
        $this->call('principal', 'POST', '/message-previews', ['division' => 'nowhere'] + $look, 404);
        self::assertStringContainsString(
            'plover',
            $this->call('colleague', 'POST', '/message-previews', $look)['text'],
        );
    }

    /** Logins are made of names: they prove nothing. */
    public function testNoChildIsFoundByALogin(): void
    {
        $path = '/sites/'.$this->ids['nerves'].'/intake';
        foreach (['junior', 'junior ', 'JUNIOR', 'X77JUN', 'junior@', 'Junior Juniorsen'] as $typed) {
            self::assertStringNotContainsString(
                $this->ids['junior'],
                json_encode($this->call('disloyal', 'GET', $path.'?q='.rawurlencode($typed)), \JSON_THROW_ON_ERROR),
            );
            self::assertStringNotContainsString(
                $this->ids['junior'],
                json_encode($this->call('disloyal', 'POST', $path, ['text' => $typed]), \JSON_THROW_ON_ERROR),
            );
        }
        foreach (['X77JUNIOR', 'junior@example.org'] as $known) {
            self::assertStringContainsString(
                $this->ids['junior'],
                json_encode($this->call('disloyal', 'GET', $path.'?q='.rawurlencode($known)), \JSON_THROW_ON_ERROR),
            );
        }
    }

    public function testGuessingNumbersComesToAnEnd(): void
    {
        $path = '/sites/'.$this->ids['nerves'].'/intake';
        $guesses = implode("\n", array_map(static fn(int $n): string => (string) (2_041_000 + $n), range(1, 200)));
        $this->call('disloyal', 'POST', $path, ['text' => $guesses]);
        $this->call('disloyal', 'POST', $path, ['text' => strtr($guesses, '2', '3')], 429);
        $this->call('principal', 'POST', $path, ['text' => $guesses]);
        self::assertSame('refused', $this->call('admin', 'GET', '/security-log')['items'][0]['code']);
    }

    /** Where numbers are short, short ones are counted. */
    public function testShortNumbersAreGuessedNoLonger(): void
    {
        $path = '/sites/'.$this->ids['nerves'].'/intake';
        $guesses = implode("\n", array_map(static fn(int $n): string => (string) (1_000 + $n), range(1, 400)));
        $this->call('disloyal', 'POST', $path, ['text' => $guesses]);
        $rules = RulesCodec::write($this->service(Roles::class)->rules());
        $rules['numbers'][] = [
            'name' => 'Locker number',
            'kinds' => ['learner'],
            'prefix' => '',
            'digits' => 4,
            'checked' => false,
        ];
        $this->call('admin', 'PUT', '/rules', ['rules' => $rules, 'apply' => true], headers: ['If-Match' => '"1"']);
        $this->call('disloyal', 'POST', $path, ['text' => $guesses], 429);
    }

    /** @return array<string, mixed>|null */
    private function body(string $method, string $more): ?array
    {
        return 'GET' === $method
            ? null
            : [
                '' => ['given' => 'Given', 'family' => 'Family'],
                '/account' => ['open' => false, 'apply' => false],
                '/erasure' => ['apply' => false],
                '/notes' => ['text' => 'x'],
            ][$more] ?? null;
    }

    /**
     * @param string                          $path with `%s` for the id
     * @param array<array-key, mixed>|null $body
     */
    private function sameAsNone(?string $as, string $method, string $path, string $id, ?array $body = null): void
    {
        $none = '00000000-0000-7000-8000-000000000000';
        $asked = function (string $id, ?array $body) use ($as, $method, $path): array {
            $answer = $this->call($as, $method, \sprintf($path, $id), $body, null, ['If-Match' => '"1"']);

            return [$this->answered(), $answer];
        };
        $with = json_decode(str_replace($id, $none, json_encode($body, \JSON_THROW_ON_ERROR)), true);
        [$status, $answer] = $asked($id, $body);
        self::assertSame($asked($none, \is_array($with) ? $with : null), [$status, $answer], $method.' '.$path);
        self::assertContains($status, [401, 403, 404], $method.' '.$path);
    }
}
