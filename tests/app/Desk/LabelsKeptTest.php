<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Desk;

use MintDoor\Tests\App\ApiTestCase;

final class LabelsKeptTest extends ApiTestCase
{
    public function testStaffChooseFromTheListAndTakeOffWhatIsThere(): void
    {
        $labels = '/sites/'.$this->ids['site'].'/labels';
        $put = fn(string $label, bool $on, int $status = 200): array => $this->call('lead', 'POST', $labels, [
            'label' => $label,
            'people' => [$this->ids['learner']],
            'on' => $on,
        ], $status);
        $put('of my own', true);
        self::assertTrue($this->call('lead', 'GET', $labels)['free']);

        $this->settle(['labels' => ['free' => false, 'names' => ['Viola', 'Oboe']]]);
        $wrong = $put('drums', true, 422);
        self::assertSame(['/label', 'not-of-list'], [$wrong['errors'][0]['pointer'], $wrong['errors'][0]['code']]);
        $put('VIOLA', true);
        $listed = $this->call('lead', 'GET', $labels.'?q=vi');
        self::assertSame([false, [['name' => 'Viola', 'people' => 1]]], [$listed['free'], $listed['items']]);
        self::assertSame('ready', $put('of my own', false)['lines'][0]['verdict']);
        self::assertSame(
            ['Viola'],
            $this->db()->fetchFirstColumn(
                'SELECT l.name FROM label l JOIN person_label pl ON pl.label_id = l.id',
            ),
        );
    }
}
