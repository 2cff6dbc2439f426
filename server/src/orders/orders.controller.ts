import { PlaceOrder } from '@ample-crane/core';
import { Gives } from '../logbook/gives.ts';
import { Body, Controller, Get, Param, Post, Query } from '@nestjs/common';
import { ApiOkResponse, ApiTags } from '@nestjs/swagger';
import { DoneView } from '../platform/http/views.ts';
import { CurrentActor, type Actor } from '../platform/identity/actor.ts';
import { Allow } from '../platform/identity/role.ts';
import { AskOrderDto, OrderOutlookView, OrderPastView, OrderView, PlaceOrderDto } from './orders.dto.ts';
import { OrdersService } from './orders.ts';

@ApiTags('orders')
@Controller('orders')
export class OrdersController {
  constructor(private readonly orders: OrdersService) {}

  @Get()
  @Allow('viewer')
  @ApiOkResponse({ type: [OrderView] })
  open(): Promise<OrderView[]> {
    return this.orders.open();
  }

  @Get('outlook')
  @Allow('viewer')
  @ApiOkResponse({ type: OrderOutlookView })
  outlook(@Query() asked: AskOrderDto): Promise<OrderOutlookView> {
    return this.orders.outlook(asked);
  }

  @Get(':id')
  @Allow('viewer')
  @ApiOkResponse({ type: OrderPastView })
  past(@Param('id') id: string): Promise<OrderPastView> {
    return this.orders.past(id);
  }

  @Post()
  @Gives(PlaceOrder)
  @ApiOkResponse({ type: DoneView })
  place(@CurrentActor() actor: Actor, @Body() dto: PlaceOrderDto): Promise<DoneView> {
    return this.orders.place(actor, dto);
  }
}
